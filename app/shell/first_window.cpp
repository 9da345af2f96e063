#include "app/shell/first_window.h"

#include <QApplication>
#include <QCryptographicHash>
#include <QDataStream>
#include <QDir>
#include <QLocalServer>
#include <QLocalSocket>
#include <QLockFile>
#include <QStandardPaths>
#include <QTimer>

namespace amber {
namespace {

constexpr int kPatience = 3000;  // ms: a window that does not answer in this time is not waited for
constexpr quint32 kGreeting = 0x616d6231;
constexpr auto kTaken = "taken";

QByteArray packed(const FirstWindow::Paths& paths)
{
    QByteArrayList names;
    std::error_code error;
    for (const auto& path : paths)
        names << QByteArray::fromStdString(std::filesystem::absolute(path, error).string());
    QByteArray bytes;
    QDataStream(&bytes, QIODevice::WriteOnly) << kGreeting << names;
    return bytes;
}

}  // namespace

QString FirstWindow::ownSocket()
{
    QByteArray screen = qgetenv("WAYLAND_DISPLAY") + ' ' + qgetenv("DISPLAY");
    screen = QCryptographicHash::hash(screen, QCryptographicHash::Sha1).toHex().left(8);
    return QDir(QStandardPaths::writableLocation(QStandardPaths::RuntimeLocation))
        .filePath(QStringLiteral("jolly-amber-") + QString::fromLatin1(screen));
}

FirstWindow::FirstWindow(const QString& socket, QObject* parent)
    : QObject(parent), m_socket(socket), m_server(new QLocalServer(this))
{
    m_server->setSocketOptions(QLocalServer::UserAccessOption);
    connect(m_server, &QLocalServer::newConnection, this, [this] {
        while (QLocalSocket* from = m_server->nextPendingConnection()) {
            connect(from, &QLocalSocket::readyRead, this, [this, from] { take(from); });
            connect(from, &QLocalSocket::disconnected, from, &QObject::deleteLater);
            take(from);
        }
    });
}

FirstWindow::~FirstWindow() = default;

bool FirstWindow::handOver(const Paths& paths)
{
    // Of two that start at one moment the second waits until the first listens.
    QLockFile lock(m_socket + QStringLiteral(".lock"));
    const bool isLocked = lock.tryLock(kPatience);
    if (giveAway(paths))
        return true;
    if (isLocked)
        listen();
    return false;
}

bool FirstWindow::giveAway(const Paths& paths)
{
    QLocalSocket to;
    to.connectToServer(m_socket);
    if (!to.waitForConnected(kPatience))
        return false;
    to.write(packed(paths));
    QByteArray answer;
    while (answer != kTaken && to.waitForReadyRead(kPatience))
        answer += to.readAll();
    return answer == kTaken;
}

void FirstWindow::listen()
{
    if (m_server->listen(m_socket))
        return;
    // The socket of a window that was killed.
    QLocalSocket alive;
    alive.connectToServer(m_socket);
    if (!alive.waitForConnected(kPatience) && QLocalServer::removeServer(m_socket))
        m_server->listen(m_socket);
}

void FirstWindow::take(QLocalSocket* from)
{
    QDataStream in(from);
    in.startTransaction();
    quint32 greeting = 0;
    QByteArrayList names;
    in >> greeting >> names;
    if (!in.commitTransaction()) {
        if (in.status() == QDataStream::ReadCorruptData)
            from->abort();
        return;
    }
    if (greeting != kGreeting)
        return from->abort();
    Paths& paths = m_waiting.emplace_back();
    for (const QByteArray& name : names)
        paths.emplace_back(name.toStdString());
    from->write(kTaken);
    from->flush();
    from->disconnectFromServer();
    QTimer::singleShot(0, this, &FirstWindow::tell);
}

void FirstWindow::tell()
{
    constexpr int kAgain = 200;
    if (QApplication::activeModalWidget() || QApplication::activePopupWidget()) {
        QTimer::singleShot(kAgain, this, &FirstWindow::tell);
        return;
    }
    for (const Paths& paths : std::exchange(m_waiting, {}))
        emit asked(paths);
}

}  // namespace amber
