// Files that are out to be retouched and those that came back: sent, known again, taken in the place of their frames.
#pragma once

#include "app/document/document.h"
#include "app/task/task.h"
#include "core/retouch/take_back.h"

#include <QFileSystemWatcher>
#include <QPixmap>
#include <QWidget>

class QLabel;
class QLayout;
class QPushButton;
class QTableWidget;

namespace amber {

class RetouchTab : public QWidget {
    Q_OBJECT

public:
    explicit RetouchTab(Document& document, QWidget* parent = nullptr);
    Task& task() { return *m_task; }
    void send(const SendChoices& choices, const QString& folder);
    /// One after the other; `frame`: whose it is, when somebody said so.
    void takeBack(const QStringList& files, std::optional<FrameId> frame = std::nullopt, bool withCure = false);
    bool isBusy() const { return m_task->isRunning() || !m_waiting.empty(); }

signals:
    void taken(const QString& words);  ///< a file came back, or why it did not

private:
    struct Waiting {
        QString file;
        std::optional<FrameId> frame;
        bool withCure = false;
        bool isFound = false;  ///< in the watched folder: nobody waits for a question
    };
    void makeTable();
    QLayout* makeButtons();
    void refresh();
    void askSend();
    void takeNext();
    void settle(const CameBack& back);
    void askWhose(const CameBack& back);
    void askLater(const CameBack& back);
    void leave(const CameBack& back);
    void cure();
    void showStretched();
    void watch();
    void lookForFiles();
    bool eventFilter(QObject* watched, QEvent* event) override;
    void layPicture();
    const SentFile* chosen() const;

    Document& m_document;
    Task *m_task, *m_reading;
    QFileSystemWatcher* m_watcher;
    QTableWidget* m_table;
    QLabel *m_words, *m_picture, *m_caption;
    QPushButton *m_send, *m_back, *m_cure, *m_whose;
    std::vector<SentFile> m_sent;
    std::vector<Waiting> m_waiting;
    std::set<std::string> m_seen;  ///< files in the watched folder that were tried, as they stood
    QStringList m_unknown;         ///< of these, those that somebody must say whose they are
    QPixmap m_stretched;
    std::int64_t m_shown = 0;
};

}  // namespace amber
