// Above every place: what went wrong, and what is to be decided. One line each, no window in the way.
#pragma once

#include "app/document/lost_frames.h"

#include <QFrame>
#include <list>

class QLabel;
class QVBoxLayout;

namespace amber {

class MessageBars : public QWidget {
    Q_OBJECT

public:
    explicit MessageBars(QWidget* parent = nullptr);
    /// One message at a time; an empty one takes the last away.
    void say(const QString& message);
    /// Questions stay until they are answered, put off, or taken back by an empty one of the same name. One is shown at
    /// a time, those that can be answered first: the picture keeps its room.
    void ask(const LostFrames::Question& question);
    /// Shows work that was not begun by hand, once it has run for a moment: what it is, how far, and a way to stop it.
    void show(Task& task, const QString& name, const QString& words);

private:
    void drop(const QString& name);
    void showOne();

    QWidget* m_messageBar;
    QLabel* m_message;
    QVBoxLayout* m_rows;
    struct Asked {
        QString name;
        QWidget* bar;
        QLabel* count;
        bool isAnswerable;
    };
    std::list<Asked> m_questions;
};

}  // namespace amber
