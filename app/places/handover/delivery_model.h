// What an export wrote and what failed and why, as a table that grows.
#pragma once

#include "core/handover/export.h"

#include <QAbstractTableModel>

namespace amber {

class DeliveryModel : public QAbstractTableModel {
    Q_OBJECT

public:
    enum Column { PictureColumn, RecipeColumn, ResultColumn, FileColumn, SizeColumn, ColumnCount };

    using QAbstractTableModel::QAbstractTableModel;
    void clear();
    /// Puts it in its place by the name of its source.
    void add(const Delivery& delivery);
    const std::vector<Delivery>& deliveries() const { return m_deliveries; }

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : ColumnCount; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    std::vector<Delivery> m_deliveries;
    std::vector<qint64> m_sizes;
};

}  // namespace amber
