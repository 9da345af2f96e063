// The frames of the job as a list, with thumbnails that arrive as they are read.
#pragma once

#include "app/document/document.h"
#include "app/render/sheet_pictures.h"
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
        ChangedRole,
        LookRole,
        SetsRole,
        FarRole  ///< how far the chosen key colour is from that of the frame that leads its light; -1: not known
    };

    FrameModel(Document& document, ProxyStore& proxies, QObject* parent = nullptr);

    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    int readCount() const { return static_cast<int>(m_facts.size()); }
    /// Parts the frames into light groups anew by what was read of them.
    void proposeLights();
    /// Null while it is not read.
    QPixmap thumbnail(std::int64_t frame) const;
    /// The same as it was read, in sRGB.
    QImage thumbnailImage(std::int64_t frame) const { return m_thumbnails.picture(std::to_string(frame)); }
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
    /// What the frames are shown as: as they came, balanced, or finished.
    SheetPictures& pictures() { return *m_pictures; }
    const SheetPictures& pictures() const { return *m_pictures; }
    void showAs(SheetPictures::State state);
    /// The key colour by which FarRole tells frames apart; empty: none.
    void setFarKey(const std::string& key);
    /// Asks for a thumbnail before the others.
    void want(const QModelIndex& index) const;

signals:
    void progressed();

private:
    void followFrames();
    void followPictures();
    void followLooks();
    std::optional<SheetPictures::Made> madeOf(FrameId frame) const;
    double farOf(FrameId frame) const;
    QStringList setsOf(FrameId frame) const;
    QPixmap shown(FrameId frame) const;
    static QPixmap onScreenOf(QCache<std::int64_t, QPixmap>& kept, FrameId frame, const QImage& srgb);
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
    SheetPictures* m_pictures;
    std::string m_farKey;
    std::map<FrameId, FrameId> m_duplicates;                   ///< of which frame
    mutable PictureShelf m_thumbnails{std::size_t{96} << 20};  ///< in sRGB, by frame
    mutable QCache<std::int64_t, QPixmap> m_onScreen{400},
        m_madeOnScreen{400};  ///< as the screen shows them, of those seen lately
    QHash<std::int64_t, int> m_rows;
    QHash<std::int64_t, FrameFacts> m_facts;
    std::vector<FrameBracket> m_bracketList;
};

}  // namespace amber
