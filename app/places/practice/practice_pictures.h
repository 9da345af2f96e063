// The pictures that drills are played on: frames of the open job as they are balanced, or the practice job's.
#pragma once

#include "app/document/document.h"
#include "core/practice/drill.h"

namespace amber {

class Task;

class PracticePictures : public QObject {
    Q_OBJECT

public:
    static constexpr int kEdge = 520, kMost = 16;
    explicit PracticePictures(Document& document, QObject* parent = nullptr);
    /// Reads them in the background; ready() or failed() tells.
    void read(bool own);
    bool isReading() const;
    bool areOwn() const { return m_own; }
    const std::vector<PracticePicture>& pictures() const { return m_pictures; }
    Task& task() { return *m_task; }

signals:
    void ready();
    void failed(const QString& why);

private:
    Document& m_document;
    Task* m_task;
    bool m_own = false;
    std::vector<PracticePicture> m_pictures;
};

}  // namespace amber
