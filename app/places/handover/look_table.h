// Which look lands on which light and frame when they are handed over, and what is in their pictures already.
#pragma once

#include "app/document/document.h"

#include <QWidget>

class QTableWidget;

namespace amber {

class LookTable : public QWidget {
    Q_OBJECT

public:
    explicit LookTable(Document& document, QWidget* parent = nullptr);
    void refresh();

private:
    void addRow(const QString& of, const QString& count, LookId look, const QString& note, bool isStrong,
                const std::function<void(LookId)>& choose);
    Document& m_document;
    QTableWidget* m_table;
};

}  // namespace amber
