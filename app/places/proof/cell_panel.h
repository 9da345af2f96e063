// One cell of the consistency table: both colours, both pictures, how far apart they are and why.
#pragma once

#include "app/document/document.h"
#include "app/render/proxy_store.h"
#include "core/proof/consistency.h"

#include <QPersistentModelIndex>
#include <QWidget>

class QLabel;
class QPushButton;

namespace amber {

class ConsistencyModel;
class PictureView;

class CellPanel : public QWidget {
    Q_OBJECT

public:
    CellPanel(Document& document, ProxyStore& proxies, ConsistencyModel& model, QWidget* parent);
    void show(const QModelIndex& cell);
    void refresh();
    /// What stands out in the cell shown.
    const Outlier* outlier() const;
    static QString causeWords(const Outlier& outlier);

signals:
    void confirmed();
    void placed(const Region& place);
    void cureTaken();

private:
    class Patches;
    QWidget* makeCellWall();
    void makeCellButtons();
    static QString cureWords(const Outlier& outlier);
    /// A frame through the look, as large as the view, a moment later. False while it is not read.
    bool render(PictureView& view, RenderSlot& slot, FrameId frame, const Balance& cure);
    void showNoCell(const QString& words);
    QString distanceWords(const ConsistencyCell& cell, int column, bool isKey) const;
    QString causeOfCell(const ConsistencyCell& cell, const FrameReading& here, std::size_t k) const;
    bool isPlaced(const FrameReading& reading, std::size_t k) const;
    void showInPlace(PictureView& view, RenderSlot& slot, const FrameReading& reading, std::size_t k,
                     const QString& caption, const Balance& cure);
    void correctPlace(const QRectF& place);

    Document& m_document;
    ProxyStore& m_proxies;
    ConsistencyModel* m_model;
    QPersistentModelIndex m_cell;
    PictureView *m_here, *m_lead;
    Patches* m_patches;
    QLabel *m_cellWords, *m_cause;
    QPushButton *m_confirm, *m_correct, *m_cure;
    std::uint64_t m_shown = 0;
    RenderSlot *m_hereSlot, *m_leadSlot;
};

}  // namespace amber
