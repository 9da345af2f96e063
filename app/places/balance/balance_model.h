// The frames of one light with what they are balanced by and what is proposed, as a table.
#pragma once

#include "app/document/document.h"
#include "core/job/shoot_work.h"

#include <QAbstractTableModel>
#include <QPixmap>
#include <functional>

namespace amber {

class FrameModel;

class BalanceModel : public QAbstractTableModel {
    Q_OBJECT

public:
    enum Column {
        FrameColumn,
        ExposureColumn,
        WhiteColumn,
        TintColumn,
        GroundColumn,
        SureColumn,
        LeftColumn,
        NoteColumn,
        ColumnCount
    };
    enum Role { IdRole = Qt::UserRole + 1 };

    BalanceModel(Document& document, FrameModel& frames, std::function<QPixmap(std::int64_t)> thumbnail,
                 QObject* parent = nullptr);

    /// -1: all lights.
    void setGroup(int group);
    int group() const { return m_group; }
    std::int64_t frameAt(int row) const
    {
        return row >= 0 && row < static_cast<int>(m_rows.size()) ? m_rows[static_cast<std::size_t>(row)] : 0;
    }
    int rowOf(std::int64_t frame) const;

    struct Proposal : BalanceProposal {
        bool isTicked = false;
    };
    void setProposals(const std::map<std::int64_t, Proposal>& proposals);
    /// Forgets what was proposed for these frames; their reasons stay to be read.
    void settle(const std::vector<std::int64_t>& frames);
    const Proposal* proposal(std::int64_t frame) const;
    /// Proposals that are ticked, of the frames shown.
    std::map<std::int64_t, FrameBalance> ticked() const;
    bool hasProposals() const { return !m_proposals.empty(); }
    /// What a frame's balance rests on, and what is wrong with it, in words.
    QString groundWords(std::int64_t frame) const;
    QString noteWords(std::int64_t frame) const;

    int rowCount(const QModelIndex& parent = {}) const override
    {
        return parent.isValid() ? 0 : static_cast<int>(m_rows.size());
    }
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : ColumnCount; }
    QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

signals:
    void ticksChanged();

private:
    QString tipOf(FrameId frame, int column) const;
    QString wordsOf(FrameId frame, int column) const;
    void rebuild();
    /// Proposed while it waits, else what is kept.
    FrameBalance shown(std::int64_t frame) const;

    Balance lightOf(FrameId frame, const FrameBalance& balance) const;  ///< in numbers of the light itself
    Document& m_document;
    FrameModel& m_frames;
    std::function<QPixmap(std::int64_t)> m_thumbnail;
    int m_group = -1;
    std::vector<std::int64_t> m_rows;
    std::map<std::int64_t, Proposal> m_proposals;  ///< that wait to be taken
    std::map<std::int64_t, Proposal> m_last;       ///< of the last solving, for the reasons
};

}  // namespace amber
