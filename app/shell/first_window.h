// The window that is open already: a second start gives it what it was asked to open, and ends.
#pragma once

#include <QObject>
#include <filesystem>
#include <vector>

class QLocalServer;
class QLocalSocket;

namespace amber {

/// One for each user and screen, found by a socket in the user's run-time folder.
class FirstWindow : public QObject {
    Q_OBJECT

public:
    using Paths = std::vector<std::filesystem::path>;
    /// `socket`: where the window that is open listens.
    explicit FirstWindow(const QString& socket = ownSocket(), QObject* parent = nullptr);
    ~FirstWindow() override;
    static QString ownSocket();
    /// True: a window is open and has taken the paths. False: there is none, or it does not answer; from now on it is
    /// this one, and asked() tells what later starts hand over.
    bool handOver(const Paths& paths);

signals:
    /// What to open, nothing when the window is only to come to the front. Never while a dialog or a menu waits for an
    /// answer: it is kept until then.
    void asked(const std::vector<std::filesystem::path>& paths);

private:
    bool giveAway(const Paths& paths);
    void listen();
    void take(QLocalSocket* from);
    void tell();
    QString m_socket;
    QLocalServer* m_server;
    std::vector<Paths> m_waiting;
};

}  // namespace amber
