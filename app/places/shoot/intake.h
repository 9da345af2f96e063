// What brings frames into the open job: folders and cards, a watched folder, merged brackets.
#pragma once

#include "app/document/document.h"
#include "app/places/shoot/folder_watch.h"
#include "app/task/task.h"

namespace amber {

struct BroughtIn;

class Intake : public QObject {
    Q_OBJECT

public:
    explicit Intake(Document& document, QObject* parent = nullptr);
    Task& task() { return *m_task; }

    /// Pictures under `from`; copied into `into`, or left where they are when it is empty.
    void bringIn(const QString& from, const QString& into);
    /// Pictures that arrive in `folder` come into the job: in place when it is the job's own folder, else copied there.
    /// Empty: no longer.
    void watch(const QString& folder);
    QString watched() const { return m_watch->folder(); }
    void merge(const std::vector<std::int64_t>& bracket);
    /// The frames a merged frame was made of; empty for others.
    std::vector<std::int64_t> parentsOf(std::int64_t frame) const;

signals:
    void said(const QString& message);
    void openRequested(const std::vector<std::filesystem::path>& paths);
    void watchChanged();

private:
    static QString outcomeWords(const BroughtIn& brought);
    /// What was read while copying need not be read again.
    void keepContents(const BroughtIn& brought);
    void takeMerged(const std::vector<FrameId>& bracket, const struct MergedFile& merged);
    void take(const std::vector<std::filesystem::path>& sources, const QString& into, bool quietly);
    void finish(const struct BroughtIn& brought, const QString& into, bool quietly);

    Document& m_document;
    Task* m_task;
    FolderWatch* m_watch;
    std::vector<std::filesystem::path> m_waiting;  ///< arrived while other work was running
};

}  // namespace amber
