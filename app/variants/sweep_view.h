// The sweep sheet: the frame in hand at a dozen or two values of one quantity of the chosen step, or through the tables
// of a folder. Pick one and sweep finer round it, bookmark what was nice on the way, take one.
#pragma once

#include "app/variants/tile_sheet.h"
#include "app/wall/wall.h"
#include "core/analysis/sweep.h"

class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QFileInfo;
class QHBoxLayout;
class QLabel;
class QPushButton;

namespace amber {

class SweepView : public QWidget {
    Q_OBJECT

public:
    SweepView(Document& document, Wall& wall, QWidget* parent = nullptr);
    /// Begins anew with the chosen step.
    void begin();
    TileSheet& sheet() { return *m_sheet; }
    /// A sheet of the tables in a folder, all at the strength that changes this frame by the same amount.
    void sweepTables(const QString& folder);

signals:
    void closed();

protected:
    void paintEvent(QPaintEvent*) override;

private:
    /// The look with this table in it, as strong as all.
    void setTiles(std::vector<Tile> tiles);
    Tile tileOf(Table table, const QFileInfo& file, const std::shared_ptr<const Proxy>& proxy,
                const std::vector<LinearRgb>& entering, std::size_t at);
    QDoubleSpinBox* number(const char* name, const QString& words, const QString& tip);
    QHBoxLayout* makeRow();
    void makeRange();
    SweepWay way() const;
    void chooseWay();
    void fill();
    void finer();
    void bookmark();
    void take();
    void refreshButtons();
    QString valueWords(double value) const;

    Document& m_document;
    Wall& m_wall;
    TileSheet* m_sheet;
    QComboBox *m_what, *m_count;
    QDoubleSpinBox *m_low, *m_high, *m_change;
    QPushButton *m_finer, *m_bookmark, *m_take;
    std::vector<SweepWay> m_ways;
    std::vector<double> m_values;
    QString m_folder;  ///< of the tables; empty in a sweep
};

}  // namespace amber
