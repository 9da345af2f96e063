// The consistency of the shoot as a table: frames by key colours and tone measures.
#pragma once

#include "app/document/document.h"
#include "core/proof/consistency.h"

#include <QAbstractTableModel>
#include <QPixmap>
#include <functional>

namespace amber {

class ConsistencyModel : public QAbstractTableModel {
    Q_OBJECT

public:
    enum Role { CellRole = Qt::UserRole + 1, OutlierRole, DoubtRole, WithinRole, MeasuredRole, LeadRole };

    ConsistencyModel(Document& document, std::function<QPixmap(std::int64_t)> thumbnail, QObject* parent = nullptr);
    void show(const std::vector<FrameReading>& readings, const std::vector<KeyColour>& keys);
    const std::vector<FrameReading>& readings() const { return m_readings; }
    const std::vector<KeyColour>& keys() const { return m_keys; }
    const ConsistencyTable& table() const { return m_table; }
    const FrameReading* reading(std::int64_t frame) const;
    const FrameReading* leadOf(const FrameReading& reading) const;
    QString columnTitle(int column) const;

    int rowCount(const QModelIndex& parent = {}) const override
    {
        return parent.isValid() ? 0 : static_cast<int>(m_readings.size());
    }
    int columnCount(const QModelIndex& parent = {}) const override
    {
        return parent.isValid() ? 0 : 1 + static_cast<int>(m_keys.size()) + (m_readings.empty() ? 0 : kToneColumns);
    }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    QVariant frameData(const FrameReading& r, int role) const;
    static QString cellWords(const FrameReading& r, const ConsistencyCell& cell, double doubt);
    static QString cellTip(const ConsistencyCell& cell, double doubt);
    Document& m_document;
    std::function<QPixmap(std::int64_t)> m_thumbnail;
    std::vector<FrameReading> m_readings;
    std::vector<KeyColour> m_keys;
    ConsistencyTable m_table;
};

}  // namespace amber
