// The frames of the job as a list, with thumbnails that arrive as they are read.
#pragma once

#include "app/document/document.h"
#include "app/render/proxy_store.h"
#include "core/job/overview.h"

#include <QAbstractListModel>
#include <QCache>
#include <QPixmap>
#include <functional>

namespace amber {

class FrameModel : public QAbstractListModel {
    Q_OBJECT

public:
    enum Role {
        IdRole = Qt::UserRole + 1,
        FaultRole,
        InHandRole,
        CompanionRole,
        PathRole,
        GroupRole,
        RatingRole,
        BracketRole,
        TimeRole,
        DuplicateRole,
        WeightRole,
        DoneRole,
        TroubleRole,
        LostRole,
        ChangedRole
    };

    FrameModel(Document& document, ProxyStore& proxies, QObject* parent = nullptr);

    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    int readCount() const { return static_cast<int>(m_thumbnails.size()); }
    /// Parts the frames into light groups anew by what was read of them.
    void proposeLights();
    /// Null while it is not read.
    QPixmap thumbnail(std::int64_t frame) const;
    /// The same as it was read, in sRGB.
    QImage thumbnailImage(std::int64_t frame) const { return m_thumbnails.value(frame); }
    /// Brackets that were recognised.
    const std::vector<FrameBracket>& brackets() const { return m_bracketList; }
    /// Index into brackets(), or -1.
    int bracketOf(std::int64_t frame) const;
    /// What the camera wrote down and what a thumbnail shows, of a frame that was read; else nothing.
    const FrameFacts* factsOf(std::int64_t frame) const;
    /// How hard a frame is: 1, up to 4; unsure balance, clipped ends and brackets make it harder.
    double weightOf(std::int64_t frame) const;
    void touchAll();
    int rowOf(std::int64_t frame) const { return m_rows.value(frame, -1); }
    /// Asks for a thumbnail before the others.
    void want(const QModelIndex& index) const;

signals:
    void progressed();

private:
    void followFrames();
    void followPictures();
    QVariant standingOf(const Frame& frame, int role) const;
    void rebuild();
    void seeWhetherAllAreRead();
    ReadFrames readFrames() const;
    QString bracketWords(FrameId frame) const;
    QString duplicateOf(FrameId frame) const;
    int companionNumber(FrameId frame) const;
    QString tipOf(const Frame& frame) const;
    QString spokenWords(const Frame& frame) const;
    void touch(std::int64_t frame);

    Document& m_document;
    ProxyStore& m_proxies;
    std::map<FrameId, FrameId> m_duplicates;          ///< of which frame
    QHash<std::int64_t, QImage> m_thumbnails;         ///< in sRGB
    mutable QHash<std::int64_t, QPixmap> m_onScreen;  ///< as the screen shows them, once asked for
    QHash<std::int64_t, int> m_rows;
    QHash<std::int64_t, FrameFacts> m_facts;
    std::vector<FrameBracket> m_bracketList;
};

}  // namespace amber
