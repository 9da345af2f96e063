// Watches a folder for pictures that arrive while one works.
#pragma once

#include <QObject>
#include <QString>
#include <cstdint>
#include <filesystem>
#include <map>
#include <set>
#include <vector>

class QFileSystemWatcher;
class QTimer;

namespace amber {

class FolderWatch : public QObject {
    Q_OBJECT

public:
    explicit FolderWatch(QObject* parent = nullptr);
    /// Pictures that are in the folder already count as arrived unless they are in `known`. Empty: watches nothing.
    void watch(const QString& folder, const std::set<std::filesystem::path>& known);
    QString folder() const { return m_folder; }

signals:
    /// Whole files: their size and time have not changed from one look to the next.
    void arrived(const std::vector<std::filesystem::path>& paths);
    /// The folder is gone; it is watched again once it is back.
    void vanished();
    void looked();  ///< at the folder, once more

private:
    void look();

    struct Seen {
        std::uintmax_t size = 0;
        std::filesystem::file_time_type changed;
        bool operator==(const Seen&) const = default;
    };
    QFileSystemWatcher* m_watcher;
    QTimer* m_timer;
    QString m_folder;
    std::set<std::filesystem::path> m_known;
    std::map<std::filesystem::path, Seen> m_growing;
    bool m_wasThere = true;
};

}  // namespace amber
