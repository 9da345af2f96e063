// Watches a folder for pictures that arrive while one works.
#pragma once

#include <QDateTime>
#include <QHash>
#include <QObject>
#include <QSet>
#include <QStringList>

class QFileSystemWatcher;
class QTimer;

namespace amber {

class FolderWatch : public QObject {
    Q_OBJECT

public:
    explicit FolderWatch(QObject* parent = nullptr);
    /// Pictures that are in the folder already count as arrived unless they are in `known`. Empty: watches nothing.
    void watch(const QString& folder, const QSet<QString>& known);
    QString folder() const { return m_folder; }

signals:
    /// Whole files: their size and time have not changed from one look to the next.
    void arrived(const QStringList& paths);
    /// The folder is gone; it is watched again once it is back.
    void vanished();

private:
    void look();

    struct Seen {
        qint64 size = -1;
        QDateTime changed;
    };
    QFileSystemWatcher* m_watcher;
    QTimer* m_timer;
    QString m_folder;
    QSet<QString> m_known;
    QHash<QString, Seen> m_growing;
    bool m_wasThere = true;
};

}  // namespace amber
