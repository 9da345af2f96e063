// Buttons and questions, made the same way everywhere.
#pragma once

#include <QString>
#include <functional>
#include <optional>
#include <vector>

class QButtonGroup;
class QHBoxLayout;
class QMenu;
class QPushButton;
class QScrollArea;
class QStackedWidget;
class QWidget;

namespace amber {

/// `name` is the object's; `act` runs when it is pressed, as long as `parent` lives.
QPushButton* makeButton(QWidget* parent, const QString& name, const QString& words, const QString& tip,
                        std::function<void()> act);

/// A heading over the entries of a menu that come next.
void addHeading(QMenu& menu, const QString& words);

/// A row of buttons that choose a page of a stack; the first is chosen.
struct TabWords {
    const char* name;  ///< the button's object name
    QString title, tip;
};
QButtonGroup* addTabs(QHBoxLayout* row, QWidget* parent, QStackedWidget* stack, const std::vector<TabWords>& tabs);
/// Chooses a page as its button would.
void goTo(QButtonGroup* tabs, int page);

/// What is too tall is scrolled; the ground shows through.
QScrollArea* makeScroll(QWidget* body, QWidget* parent);

/// A question for one line.
struct LineQuestion {
    const char* name;  ///< the dialog's object name
    QString title, label;
    QString start = {}, accept = {};  ///< what stands in the line at first; what its button says
};
/// The line without spaces at its ends; nothing when the question was left.
std::optional<QString> askLine(QWidget* parent, const LineQuestion& question);

}  // namespace amber
