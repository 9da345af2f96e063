// A field for a number. It shows the decimal sign of the locale and takes either: 1.5 and 1,5 are the same everywhere.
#pragma once

#include <QDoubleSpinBox>

namespace amber {

class NumberBox : public QDoubleSpinBox {
    Q_OBJECT

public:
    explicit NumberBox(QWidget* parent = nullptr);

protected:
    QValidator::State validate(QString& input, int& position) const override;
    double valueFromText(const QString& text) const override;

private:
    QString inLocale(QString text) const;
};

}  // namespace amber
