// Asks where pictures come from and whether they are copied.
#pragma once

#include <QDialog>

class QCheckBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace amber {

class BringInDialog : public QDialog {
    Q_OBJECT

public:
    /// `into`: where copies would go.
    BringInDialog(const QString& from, const QString& into, QWidget* parent = nullptr);
    QString from() const;
    /// Empty: the pictures stay where they are.
    QString into() const;

private:
    QPushButton* chooseButton(QLineEdit* edit, const char* name, const QString& words);
    void refresh();

    QLineEdit *m_from, *m_into;
    QCheckBox* m_copy;
    QLabel* m_words;
    QPushButton* m_start;
};

}  // namespace amber
