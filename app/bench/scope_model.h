// The parts of the chosen step as a table: what the frame in hand has of each, whose value that is, and on how many
// frames of the look it is another one.
#pragma once

#include "app/document/document.h"

#include <QAbstractTableModel>

namespace amber {

class ScopeModel : public QAbstractTableModel {
    Q_OBJECT

public:
    enum Column { PartColumn, ValueColumn, WhoseColumn, OthersColumn, ColumnCount };

    ScopeModel(Document& document, QObject* parent = nullptr);
    /// Reads the chosen step anew.
    void refresh();
    const std::string& partAt(int row) const { return m_rows.at(static_cast<std::size_t>(row)).part; }
    int rowOf(const std::string& part) const;

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    struct Row {
        std::string part;
        QString words[ColumnCount];
        bool isHeld = false;
        bool operator==(const Row&) const = default;
    };
    /// `all`: the frames of the look, when somebody holds something of the step.
    Row rowFor(const Step& step, const Step& shown, const std::string& part, const std::vector<PictureName>& all) const;

    Document& m_document;
    std::vector<Row> m_rows;
};

}  // namespace amber
