// A new version of a look, made of entries of the log that are chosen.
#pragma once

#include "app/document/document.h"
#include "core/log/log.h"
#include "core/log/replay.h"

#include <QDialog>

class QLabel;
class QListWidget;
class QPushButton;

namespace amber {

class ReplayDialog : public QDialog {
    Q_OBJECT

public:
    /// `entries`: the look's, the oldest first; those that were taken back are offered, not chosen.
    ReplayDialog(Document& document, LookId look, const std::vector<LogEntry>& entries, QWidget* parent = nullptr);

private:
    void tryOut();
    void make();

    Document& m_document;
    LookId m_look;
    QListWidget* m_list;
    QLabel* m_words;
    QPushButton* m_make;
    Result<Replayed> m_made;
};

}  // namespace amber
