// Small pictures of all frames, balanced or finished, made in the background from what was read for the thumbnails:
// what is seen first, then the others one after the other. What was made once is known again by what it was made of.
#pragma once

#include "app/render/picture_shelf.h"
#include "app/render/proxy_store.h"
#include "core/frame/frame_masks.h"
#include "core/look/scope.h"
#include "core/measure/key_colour.h"

#include <QImage>

namespace amber {

class SheetPictures : public QObject {
    Q_OBJECT

public:
    enum class State { AsItCame, Balanced, Finished };
    /// All that a frame's picture is made of, beside its pixels.
    struct Made {
        ProxyStore::Footing footing;
        std::shared_ptr<const Look> look;
        PictureName name;
        std::map<std::string, Area> areas;
        std::map<std::string, Region> keys;  ///< where key colours lie, by their names
    };
    using KeyReadings = std::map<std::string, LinearRgb>;
    /// Asked for on the thread of the window, when a picture is about to be made.
    using Ask = std::function<std::optional<Made>(std::int64_t)>;

    SheetPictures(ProxyStore& proxies, Ask ask, QObject* parent);

    /// The frames there are, in the order in which they are made when none is wanted more.
    void setFrames(std::vector<std::int64_t> frames);
    void setState(State state);
    State state() const { return m_state; }
    /// Nothing is made while nobody sees it.
    void setShown(bool on);
    /// What pictures are made of has changed, of all frames or of one.
    void renew();
    void renew(std::int64_t frame);
    void clear();
    /// The picture in this state, in sRGB: the newest there is; null before the first. One that may not be right any
    /// more is made anew before the others, and ready() follows.
    QImage picture(std::int64_t frame);
    /// What key colours have come to in the newest picture of a frame, by their names.
    KeyReadings keysOf(std::int64_t frame) const { return m_entries.value(frame).keys; }
    /// Nothing that it is made of has changed since it was made.
    bool isRight(std::int64_t frame) const;
    /// How many are right, of those that were read.
    int rightCount() const;
    bool isAtRest() const { return !m_isWorking; }

signals:
    void ready(std::int64_t frame);
    void rested();  ///< all that were read are right

private:
    struct Entry {
        std::string key;            ///< what it was made of, by which its picture is known
        std::uint64_t version = 0;  ///< up to which it is known to be right
        KeyReadings keys;
    };
    /// What work leaves.
    struct Picture {
        QImage image;
        KeyReadings keys;
    };
    static Picture made(const SmallSource& source, const Made& made, const RenderPlan* plan);
    void next();
    std::int64_t chooseNext();
    void begin(std::int64_t frame);
    void finish(std::int64_t frame, std::uint64_t version, const std::string& key, const Picture& picture);

    ProxyStore& m_proxies;
    Ask m_ask;
    State m_state = State::AsItCame;
    std::vector<std::int64_t> m_frames;
    std::size_t m_at = 0;          ///< of the frames that nobody waits for
    QList<std::int64_t> m_wanted;  ///< seen and not right, the latest asked for last
    QHash<std::int64_t, Entry> m_entries;
    std::mutex m_knownMutex;
    PictureShelf m_known;                            ///< by what they were made of
    std::map<std::string, KeyReadings> m_knownKeys;  ///< of those that hold key colours
    std::uint64_t m_version = 1;
    bool m_isWorking = false, m_isShown = false;
    CancelToken m_cancel;
};

}  // namespace amber
