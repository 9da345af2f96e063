// The frames of the job by where one role lies on them: what wants to be looked at first, then what is decided.
#pragma once

#include "app/document/frame_model.h"
#include "core/job/area_finder.h"

#include <QAbstractListModel>

class QTimer;

namespace amber {

class AreasModel : public QAbstractListModel {
    Q_OBJECT

public:
    enum Role { IdRole = Qt::UserRole + 1, StandingRole, WordsRole, VeilRole };
    enum class Standing { Proposed, Open, NotFound, Confirmed, ByHand, NotHere };

    AreasModel(Document& document, FrameModel& frames, ProxyStore& proxies, QObject* parent = nullptr);

    const std::string& role() const { return m_role; }
    /// Orders the frames anew: what is offered first, the least sure before the others; what is open; what is decided.
    void setRole(const std::string& role);
    void reorder();
    /// Only what is seen is worked for.
    void setShown(bool on);
    /// What was offered besides what the job keeps, and where nothing was found. Lost with the session.
    void remember(const std::vector<AreaOffers>& offers);
    const std::vector<Proposal>& offersOf(FrameId frame) const;

    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    FrameId frameAt(int row) const;
    int rowOf(FrameId frame) const;
    Standing standingOf(FrameId frame) const;
    /// Frames that stand so.
    int countOf(Standing standing) const;
    /// The next row after this one, or from the first on, whose area nobody decided; -1: none.
    int nextOpen(int after) const;

signals:
    void changed();

private:
    void veilSoon();
    void veilAnew();
    QString wordsOf(FrameId frame) const;

    Document& m_document;
    FrameModel& m_frames;
    RenderSlot* m_veiling;
    QTimer* m_soon;
    bool m_isShown = false;
    std::string m_role;
    std::vector<FrameId> m_order;
    std::map<AreaId, std::vector<Proposal>> m_offers;
    QHash<std::int64_t, QImage> m_veils;
    std::map<FrameId, Area> m_veiled;  ///< what the veils were made of
};

/// What is outside an area, veiled in the wall's grey; along its edge a line.
QImage veilOf(const Plane& mask);
/// A picture of sRGB codes as light.
Image lightOf(const QImage& srgb);

}  // namespace amber
