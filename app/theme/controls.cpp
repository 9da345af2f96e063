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
