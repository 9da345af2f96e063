// The looks of this job, each on the frame in hand: search, choose, duplicate, bring in, hand out with what they are
// made for, and a warning when something bound to one subject would travel along.
#pragma once

#include "app/variants/tile_sheet.h"
#include "app/wall/wall.h"

class QBoxLayout;
class QLabel;
class QLineEdit;

namespace amber {

class LibraryView : public QWidget {
    Q_OBJECT

public:
    LibraryView(Document& document, Wall& wall, QWidget* parent = nullptr);
    void refresh();
    TileSheet& sheet() { return *m_sheet; }

signals:
    void closed();
    void exportRequested(std::int64_t look);

protected:
    void paintEvent(QPaintEvent*) override;

private:
    void open();
    void addButtons(QBoxLayout* row);
    std::int64_t chosen() const;
    void describe();

    Document& m_document;
    Wall& m_wall;
    QLineEdit* m_search;
    TileSheet* m_sheet;
    QLabel* m_words;
    std::vector<std::int64_t> m_shown;
};

/// What in a look should not travel, in words; empty when nothing.
QString subjectBoundWords(const Look& look);

}  // namespace amber
