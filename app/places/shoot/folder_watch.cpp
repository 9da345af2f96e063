#include "app/places/shoot/folder_watch.h"

#include "core/job/bring_in.h"

#include <QDir>
#include <QFileSystemWatcher>
#include <QTimer>

namespace amber {
namespace fs = std::filesystem;

FolderWatch::FolderWatch(QObject* parent)
    : QObject(parent), m_watcher(new QFileSystemWatcher(this)), m_timer(new QTimer(this))
{
    m_timer->setInterval(700);
    connect(m_timer, &QTimer::timeout, this, &FolderWatch::look);
    connect(m_watcher, &QFileSystemWatcher::directoryChanged, this, &FolderWatch::look);
}

void FolderWatch::watch(const QString& folder, const std::set<std::filesystem::path>& known)
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
    std::vector<fs::path> whole;
    for (const fs::path& path :
         picturesIn(m_folder.toStdString(), pictureEndings()).value_or(std::vector<fs::path>{})) {
        if (m_known.count(path))
            continue;
        std::error_code sizeError, timeError;
        const Seen now{fs::file_size(path, sizeError), fs::last_write_time(path, timeError)};
        if (sizeError || timeError)
            continue;
        Seen& seen = m_growing[path];
        if (now.size > 0 && seen == now) {
            whole.push_back(path);
            m_known.insert(path);
            m_growing.erase(path);
        } else {
            seen = now;
        }
    }
    if (!whole.empty())
        emit arrived(whole);
    emit looked();
}

}  // namespace amber
