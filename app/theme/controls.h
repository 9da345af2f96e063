// Buttons and questions, made the same way everywhere.
#pragma once

#include <QString>
#include <functional>
#include <optional>

class QPushButton;
class QWidget;

namespace amber {

/// `name` is the object's; `act` runs when it is pressed, as long as `parent` lives.
QPushButton* makeButton(QWidget* parent, const QString& name, const QString& words, const QString& tip,
                        std::function<void()> act);

/// A question for one line.
struct LineQuestion {
    const char* name;  ///< the dialog's object name
    QString title, label;
    QString start = {}, accept = {};  ///< what stands in the line at first; what its button says
};
/// The line without spaces at its ends; nothing when the question was left.
std::optional<QString> askLine(QWidget* parent, const LineQuestion& question);

}  // namespace amber
