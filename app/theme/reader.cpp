#include "app/theme/reader.h"

#include <QAccessible>
#include <QAccessibleWidget>
#include <QButtonGroup>
#include <QPushButton>
#include <QToolButton>

namespace amber {
namespace {

class PressedButton : public QAccessibleWidget {
public:
    explicit PressedButton(QAbstractButton* button) : QAccessibleWidget(button, roleOf(*button)) {}

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
        if (name == pressAction())
            QMetaObject::invokeMethod(button(), &QAbstractButton::click, Qt::QueuedConnection);
        else
            QAccessibleWidget::doAction(name);
    }

private:
    QAbstractButton* button() const { return static_cast<QAbstractButton*>(widget()); }

    static QAccessible::Role roleOf(const QAbstractButton& button)
    {
        const bool isOneOfSome = button.group() ? button.group()->exclusive() : button.autoExclusive();
        return isOneOfSome ? QAccessible::RadioButton : QAccessible::CheckBox;
    }
};

QAccessibleInterface* pressedButton(const QString&, QObject* object)
{
    auto* button = qobject_cast<QAbstractButton*>(object);
    const bool staysDown =
        button && button->isCheckable() && (qobject_cast<QPushButton*>(button) || qobject_cast<QToolButton*>(button));
    return staysDown ? new PressedButton(button) : nullptr;
}

}  // namespace

void letReadersPress() { QAccessible::installFactory(pressedButton); }

}  // namespace amber
