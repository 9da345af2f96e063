// The looks of this job, each on the frame in hand: search, choose, duplicate, bring in, hand out with what they are
// made for, and a warning when something bound to one subject would travel along.
#pragma once

#include "app/library/shared_library.h"
#include "app/variants/tile_sheet.h"
#include "app/wall/wall.h"

class QBoxLayout;
class QHBoxLayout;
class QLabel;
class QLineEdit;
class QComboBox;
class QMenu;
class QToolButton;

namespace amber {

class LibraryView : public QWidget {
    Q_OBJECT

public:
    LibraryView(Document& document, Wall& wall, QWidget* parent = nullptr);
    void refresh();
    TileSheet& sheet() { return *m_sheet; }
    SharedLibrary& shared() { return *m_shared; }
    /// The library across jobs, or the looks of this job.
    void showShared(bool on);

signals:
    void closed();
    void exportRequested(std::int64_t look);

protected:
    void paintEvent(QPaintEvent*) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void open();
    void dressSearch();
    QHBoxLayout* makeBelow();
    void addVersions(QBoxLayout* row);
    void addPlaces(QBoxLayout* row);
    void addButtons(QBoxLayout* row);
    std::int64_t chosen() const;
    bool isShared() const;
    const LibraryPart* chosenPart() const;
    const LibraryVersion& versionOf(const LibraryPart& part) const;
    void fillVersions(QMenu& menu);
    void fillPlaces(QMenu& menu);
    void importPart(const QString& path);
    void exportPart();
    void addSharedTiles(std::vector<Tile>& tiles);
    void describeShared();
    void describe();

    Document& m_document;
    Wall& m_wall;
    SharedLibrary* m_shared;
    QComboBox* m_source;
    QLineEdit* m_search;
    QToolButton *m_versions, *m_places;
    std::vector<std::string> m_shownParts;
    std::map<std::string, int> m_version;  ///< which version of a part is looked at; else the newest
    TileSheet* m_sheet;
    void showKept(const QString& part, int version, const QImage& picture);
    QLabel *m_words, *m_kept, *m_keptWords;
    std::vector<std::int64_t> m_shown;
};

/// What in a look should not travel, in words; empty when nothing.
QString subjectBoundWords(const Look& look);

}  // namespace amber
