#include "app/theme/number_box.h"

namespace amber {

NumberBox::NumberBox(QWidget* parent) : QDoubleSpinBox(parent)
{
    // A thousand is never written with a sign that somebody else takes for the decimal one.
    setGroupSeparatorShown(false);
}

QString NumberBox::inLocale(QString text) const
{
    const QString sign = locale().decimalPoint();
    for (const QChar other : {QChar('.'), QChar(',')})
        text.replace(other, sign);
    return text.replace(QChar(0x2212), locale().negativeSign());
}

QValidator::State NumberBox::validate(QString& input, int& position) const
{
    QString own = inLocale(input);
    const QValidator::State state = QDoubleSpinBox::validate(own, position);
    if (state != QValidator::Invalid)
        input = own;
    return state;
}

double NumberBox::valueFromText(const QString& text) const { return QDoubleSpinBox::valueFromText(inLocale(text)); }

}  // namespace amber
