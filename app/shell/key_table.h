// Every shortcut with its keys, to be changed.
#pragma once

#include <QWidget>

class QKeySequenceEdit;
class QLabel;
class QPushButton;
class QTableWidget;

namespace amber {

class KeyTable : public QWidget {
    Q_OBJECT

public:
    explicit KeyTable(QWidget* parent);

signals:
    void failed(const QString& message);

private:
    void fill();
    void showChosen();
    void take();
    void put(const QString& keys, bool isShipped);
    QTableWidget* m_table;
    QKeySequenceEdit* m_edit;
    QPushButton* m_shipped;
    QLabel* m_fault;
};

}  // namespace amber
