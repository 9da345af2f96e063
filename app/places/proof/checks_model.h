// Frames by checks: each cell quiet, open or let stand. The frames with the worst findings come first.
#pragma once

#include "app/places/proof/shoot_audit.h"

#include <QAbstractTableModel>
#include <QPixmap>
#include <QStyledItemDelegate>

namespace amber {

/// "2.6°", "4.0 ΔE": a number that was measured, in the unit of its check.
QString inUnit(const QString& number, const CheckKind& kind);

/// A use by its name: those that ship in the words of the screen.
QString useTitle(const std::string& use);

class ChecksModel : public QAbstractTableModel {
    Q_OBJECT

public:
    enum class Cell { NotMeasured, Quiet, Accepted, Open };
    enum Role { CellRole = Qt::UserRole + 1, SeverityRole };

    ChecksModel(const ShootAudit& audit, const Document& document, std::function<QPixmap(std::int64_t)> thumbnail,
                QObject* parent);
    /// The audit found something else.
    void renew();
    /// Findings of the cell: indices into the audit's.
    std::vector<int> findingsAt(const QModelIndex& cell) const;
    QModelIndex cellOf(const Finding& finding) const;
    std::int64_t frameAt(int row) const;
    /// Nothing was there to measure on any frame.
    bool isEmptyColumn(int column) const;

    int rowCount(const QModelIndex& parent = {}) const override
    {
        return parent.isValid() ? 0 : static_cast<int>(m_rows.size());
    }
    int columnCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    struct Row {
        const CheckedShoot::Frame* frame = nullptr;
        std::vector<std::vector<int>> findings;  ///< by kind: indices into the audit's
        double worst = 0;                        ///< of the open ones
    };
    QVariant frameData(const Row& row, int role) const;
    Cell stateOf(const Row& row, std::size_t kind) const;
    QString tipOf(const Row& row, std::size_t kind) const;
    const ShootAudit& m_audit;
    const Document& m_document;
    std::function<QPixmap(std::int64_t)> m_thumbnail;
    std::vector<Row> m_rows;
};

/// A dot for what is quiet, the severity on a dark field for what is open, a tick for what was let stand.
class ChecksDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
};

}  // namespace amber
