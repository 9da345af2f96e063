#include "app/places/shoot/folder_watch.h"

#include "app/document/document.h"

#include <QDir>
#include <QFileSystemWatcher>
#include <QTimer>

namespace amber {

FolderWatch::FolderWatch(QObject* parent) : QObject(parent), m_watcher(new QFileSystemWatcher(this)), m_timer(new QTimer(this))
{
    m_timer->setInterval(700);
    connect(m_timer, &QTimer::timeout, this, &FolderWatch::look);
    connect(m_watcher, &QFileSystemWatcher::directoryChanged, this, &FolderWatch::look);
}

void FolderWatch::watch(const QString& folder, const QSet<QString>& known)
{
    if (!m_watcher->directories().isEmpty())
        m_watcher->removePaths(m_watcher->directories());
    m_folder = folder;
    m_known = known;
    m_growing.clear();
    m_wasThere = true;
    if (folder.isEmpty()) {
        m_timer->stop();
        return;
    }
    m_watcher->addPath(folder);
    m_timer->start();
    look();
}

void FolderWatch::look()
{
    const QDir folder(m_folder);
    if (!folder.exists()) {
        if (std::exchange(m_wasThere, false))
            emit vanished();
        return;
    }
    if (!std::exchange(m_wasThere, true))
        m_watcher->addPath(m_folder);
    QStringList whole;
    const auto entries = folder.entryInfoList(Document::pictureEndings(), QDir::Files, QDir::Name);
    for (const QFileInfo& entry : entries) {
        const QString path = entry.absoluteFilePath();
        if (m_known.contains(path))
            continue;
        Seen& seen = m_growing[path];
        if (entry.size() > 0 && seen.size == entry.size() && seen.changed == entry.lastModified()) {
            whole << path;
            m_known.insert(path);
            m_growing.remove(path);
        } else {
            seen = {entry.size(), entry.lastModified()};
        }
    }
    if (!whole.isEmpty())
        emit arrived(whole);
}

}  // namespace amber
