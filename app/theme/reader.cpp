#include "app/theme/reader.h"

#include <QAccessible>
#include <QAccessibleWidget>
#include <QButtonGroup>
#include <QComboBox>
#include <QMenu>
#include <QPushButton>
#include <QToolButton>

namespace amber {
namespace {

class PressedButton : public QAccessibleWidget {
public:
    explicit PressedButton(QAbstractButton* button) : QAccessibleWidget(button, QAccessible::Button) {}

    // What a button is may be said after it was asked for first.
    QAccessible::Role role() const override
    {
        if (!button()->isCheckable())
            return menu() ? QAccessible::ButtonMenu : QAccessible::Button;
        const bool isOneOfSome = button()->group() ? button()->group()->exclusive() : button()->autoExclusive();
        return isOneOfSome ? QAccessible::RadioButton : QAccessible::CheckBox;
    }

    QString text(QAccessible::Text which) const override
    {
        const QString said = QAccessibleWidget::text(which);
        return which == QAccessible::Name && said.isEmpty() ? button()->text().remove('&') : said;
    }

    QAccessible::State state() const override
    {
        QAccessible::State state = QAccessibleWidget::state();
        state.checkable = button()->isCheckable();
        state.checked = button()->isChecked();
        state.pressed = button()->isDown();
        state.hasPopup = menu() != nullptr;
        return state;
    }

    QStringList actionNames() const override
    {
        QStringList names = widget()->isEnabled() ? QStringList{pressAction()} : QStringList{};
        return names << QAccessibleWidget::actionNames();
    }

    void doAction(const QString& name) override
    {
        // Later: what it opens may wait for the user, and the reader for its answer.
        if (name != pressAction())
            QAccessibleWidget::doAction(name);
        else if (auto* push = qobject_cast<QPushButton*>(widget()); push && push->menu())
            QMetaObject::invokeMethod(push, &QPushButton::showMenu, Qt::QueuedConnection);
        else if (auto* tool = qobject_cast<QToolButton*>(widget()); tool && tool->menu())
            QMetaObject::invokeMethod(tool, &QToolButton::showMenu, Qt::QueuedConnection);
        else
            QMetaObject::invokeMethod(button(), &QAbstractButton::click, Qt::QueuedConnection);
    }

private:
    QAbstractButton* button() const { return static_cast<QAbstractButton*>(widget()); }

    const QMenu* menu() const
    {
        if (const auto* push = qobject_cast<QPushButton*>(widget()))
            return push->menu();
        const auto* tool = qobject_cast<QToolButton*>(widget());
        return tool ? tool->menu() : nullptr;
    }
};

QAccessibleInterface* pressedButton(const QString&, QObject* object)
{
    auto* button = qobject_cast<QAbstractButton*>(object);
    const bool isOurs = qobject_cast<QPushButton*>(button) || qobject_cast<QToolButton*>(button);
    return isOurs ? new PressedButton(button) : nullptr;
}

}  // namespace

void letReadersPress() { QAccessible::installFactory(pressedButton); }

void tellReadersOf(QObject* widget)
{
    auto* box = qobject_cast<QComboBox*>(widget);
    if (box && box->accessibleDescription().isEmpty())
        box->setAccessibleDescription(box->accessibleName());
}

}  // namespace amber
