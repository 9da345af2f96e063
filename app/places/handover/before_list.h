// What is to be known before anything is written, as a list.
#pragma once

#include "app/document/document.h"
#include "core/handover/preflight.h"

#include <QWidget>

class QLabel;
class QTableWidget;

namespace amber {

class BeforeList : public QWidget {
    Q_OBJECT

public:
    explicit BeforeList(Document& document, QWidget* parent = nullptr);
    void show(const Preflight& found, int files);
    void forget();
    int points() const { return static_cast<int>(m_found.points.size()); }

private:
    Document& m_document;
    Preflight m_found;
    QTableWidget* m_table;
    QLabel* m_words;
};

}  // namespace amber
