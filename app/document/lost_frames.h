// Frames whose pictures are not where they were, or are other pictures now: looked for by content in the background,
// and asked about once.
#pragma once

#include "app/document/document.h"
#include "app/task/task.h"

namespace amber {

struct FramesFound;

class LostFrames : public QObject {
    Q_OBJECT

public:
    explicit LostFrames(Document& document, QObject* parent = nullptr);

    struct Answer {
        QString words;
        std::function<void()> act;
    };
    struct Question {
        QString name;   ///< one of a name at a time: a later one takes its place
        QString words;  ///< empty: there is nothing to ask any more
        std::vector<Answer> answers;
        bool canWait = true;  ///< it may be put off
    };
    /// Looks through a folder and all below it, and takes what is found there.
    void searchIn(const QString& folder);
    Task& task() { return *m_task; }

signals:
    void asked(const LostFrames::Question& question);
    void folderWanted();  ///< the artist wants to show where they are
    void said(const QString& message);

private:
    void sortFound(const FramesFound& result, bool isShown);
    void begin();
    void search(const std::filesystem::path& folder, bool isShown);
    void finish(const std::vector<std::pair<std::int64_t, std::filesystem::path>>& found, bool isShown);
    void take(const std::vector<std::pair<std::int64_t, std::filesystem::path>>& found);
    void askForTheRest();
    void askAboutChanged();
    std::vector<const Frame*> lost() const;

    Document& m_document;
    Task* m_task;
    QTimer* m_pause;
};

}  // namespace amber
