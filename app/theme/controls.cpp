#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {

QPushButton* makeButton(QWidget* parent, const QString& name, const QString& words, const QString& tip,
                        std::function<void()> act)
{
    auto* button = new QPushButton(words, parent);
    button->setObjectName(name);
    button->setToolTip(tip);
    QObject::connect(button, &QPushButton::clicked, parent, std::move(act));
    return button;
}

void addHeading(QMenu& menu, const QString& words)
{
    if (!menu.isEmpty())
        menu.addSeparator();
    auto* label = new QLabel(words, &menu);
    label->setProperty("quiet", true);
    label->setContentsMargins(10, 4, 18, 2);
    auto* heading = new QWidgetAction(&menu);
    heading->setDefaultWidget(label);
    heading->setEnabled(false);
    menu.addAction(heading);
}

QButtonGroup* addTabs(QHBoxLayout* row, QWidget* parent, QStackedWidget* stack, const std::vector<TabWords>& tabs)
{
    auto* group = new QButtonGroup(parent);
    row->setSpacing(6);
    int page = 0;
    for (const TabWords& tab : tabs) {
        auto* button = new QToolButton(parent);
        button->setObjectName(tab.name);
        button->setText(tab.title);
        button->setToolTip(tab.tip);
        button->setCheckable(true);
        button->setChecked(page == 0);
        button->setMinimumWidth(84);
        group->addButton(button, page++);
        row->addWidget(button);
    }
    QObject::connect(group, &QButtonGroup::idToggled, stack, [stack](int id, bool on) {
        if (on)
            stack->setCurrentIndex(id);
    });
    row->addStretch(1);
    return group;
}

void goTo(QButtonGroup* tabs, int page) { tabs->button(page)->setChecked(true); }

QScrollArea* makeScroll(QWidget* body, QWidget* parent)
{
    auto* scroll = new QScrollArea(parent);
    scroll->setWidget(body);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setStyleSheet(QStringLiteral("QScrollArea, QScrollArea > QWidget > QWidget { background: transparent; }"));
    return scroll;
}

std::optional<QString> askLine(QWidget* parent, const LineQuestion& question)
{
    QInputDialog dialog(parent);
    dialog.setObjectName(question.name);
    dialog.setWindowTitle(question.title);
    dialog.setLabelText(question.label);
    dialog.setTextValue(question.start);
    if (!question.accept.isEmpty())
        dialog.setOkButtonText(question.accept);
    if (dialog.exec() != QDialog::Accepted)
        return std::nullopt;
    return dialog.textValue().trimmed();
}

}  // namespace amber
