// The limits of a use, edited and kept as one of the artist's own.
#pragma once

#include "core/proof/check.h"

#include <QDialog>

class QLabel;
class QLineEdit;
class QPushButton;
class QTableWidget;

namespace amber {

class UseDialog : public QDialog {
    Q_OBJECT

public:
    /// `own`: uses of the artist there are.
    UseDialog(const CheckUse& use, std::vector<CheckUse> own, QWidget* parent);
    /// The artist's uses as they are to be; and the name of the one to go on with.
    const std::vector<CheckUse>& uses() const { return m_own; }
    QString chosen() const { return m_chosen; }

private:
    void fill();
    void keep();
    void remove();
    void refresh();
    bool isOwn() const;

    CheckUse m_use;
    std::vector<CheckUse> m_own;
    QString m_chosen;
    QLineEdit* m_name;
    QTableWidget* m_table;
    QLabel* m_words;
    QPushButton *m_keep, *m_remove;
};

}  // namespace amber
