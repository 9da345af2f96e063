// What the window is given to open: jobs, folders and pictures go to the document, looks into the job.
#include "app/shell/main_window.h"
#include "app/shell/message_bars.h"
#include "core/look/look_file.h"

#include <QtWidgets>

namespace amber {
namespace fs = std::filesystem;

void MainWindow::open(const QStringList& names)
{
    std::vector<fs::path> paths;
    for (const QString& name : names)
        paths.emplace_back(name.toStdString());
    openPaths(paths);
}

void MainWindow::openPaths(const std::vector<fs::path>& paths)
{
    m_messages->say({});
    std::vector<fs::path> others;
    for (const fs::path& path : paths)
        (isLookFile(path) ? m_looksToTake : others).push_back(path);
    if (!others.empty())
        return m_document.open(others);  // looks are taken in when it is
    takeLooks();
}

void MainWindow::takeLooks()
{
    if (m_looksToTake.empty())
        return;
    if (!m_document.isOpen())
        return say(tr("%n look(s) wait: open a folder or a job to bring them into.", nullptr,
                      static_cast<int>(m_looksToTake.size())));
    QStringList faults;
    for (const fs::path& path : std::exchange(m_looksToTake, {}))
        if (const Status done = m_document.looks().importLook(path); !done)
            faults << text(done.error().message());
    if (!faults.isEmpty())
        return say(faults.join(QStringLiteral("\n")));
    go(Place::Look);
}

void MainWindow::comeForward()
{
    setWindowState(windowState() & ~Qt::WindowMinimized);
    show();
    raise();
    activateWindow();
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event)
{
    if (event->mimeData()->hasUrls())
        event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event)
{
    std::vector<fs::path> paths;
    for (const QUrl& url : event->mimeData()->urls())
        if (url.isLocalFile())
            paths.emplace_back(QByteArray::fromPercentEncoding(url.path(QUrl::FullyEncoded).toLatin1()).toStdString());
    openPaths(paths);
}

}  // namespace amber
