// The tray: pinned versions side by side on the same frame and on the companions, as pictures or as maps of their
// difference, with figures, and what they differ in.
#pragma once

#include "app/variants/tile_sheet.h"
#include "app/wall/wall.h"

class QComboBox;
class QHBoxLayout;
class QLabel;

namespace amber {

class TrayView : public QWidget {
    Q_OBJECT

public:
    TrayView(Document& document, ProxyStore& proxies, Wall& wall, QWidget* parent = nullptr);
    void refresh();
    TileSheet& sheet() { return *m_sheet; }

signals:
    void closed();

protected:
    void paintEvent(QPaintEvent*) override;

private:
    QHBoxLayout* makeRow();
    void showChanges();
    void takeVersion();

    struct Version {
        Look look;
        QString title;
    };
    Document& m_document;
    ProxyStore& m_proxies;
    Wall& m_wall;
    TileSheet* m_sheet;
    QComboBox *m_frames, *m_map;
    QLabel* m_changes;
    std::vector<Version> m_versions;
};

/// What two looks differ in, for people, at most `lines` lines.
QString changesInWords(const Look& before, const Look& after, int lines);

}  // namespace amber
