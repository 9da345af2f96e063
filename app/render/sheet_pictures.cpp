#include "app/render/sheet_pictures.h"

#include "app/display/screen_view.h"
#include "app/task/post.h"
#include "core/base/content_hash.h"
#include "core/base/json_text.h"
#include "core/engine/render_plan.h"

namespace amber {
namespace {

// Some five thousand frames as they are and as they were.
constexpr std::size_t kKnownInMemory = std::size_t{96} << 20, kKnownInAll = std::size_t{1800} << 20;

/// What a picture is made of, in a word.
std::string keyOf(std::int64_t frame, const SheetPictures::Made& made, const RenderPlan* plan)
{
    std::string all = std::to_string(frame) + "\n" + frameBalanceToText(made.footing.balance) + "\n" +
                      responseToText(made.footing.response) + "\n" + (plan ? plan->hash() : "balanced") + "\n";
    if (plan)
        for (const std::string& role : plan->roles())
            if (const auto area = made.areas.find(role); area != made.areas.end())
                all += role + areaToText(area->second) + "\n";
    for (const auto& [name, place] : made.keys)
        for (const double edge : {place.left, place.top, place.right, place.bottom})
            all += name + jsonText(edge) + "\n";
    return contentHash(all);
}

}  // namespace

SheetPictures::Picture SheetPictures::made(const SmallSource& source, const Made& made, const RenderPlan* plan)
{
    Image picture = balancedPicture(source.picture.image(), made.footing.balance, made.footing.response);
    if (plan) {
        RenderOptions options{RenderOptions::Stage::All, source.longEdge};
        if (!plan->roles().empty())
            options.masks = masksOf(FrameAreas{made.areas, made.footing.balance, source.sourceRatio}, plan->roles(),
                                    picture.view());
        render(*plan, picture.view(), picture.mutableView(), {}, options);
    }
    Picture result{toScreen(picture.view(), *ViewTransform::srgb()), {}};
    for (const auto& [name, place] : made.keys)
        result.keys[name] = meanOf(picture.view(), place);
    return result;
}

SheetPictures::SheetPictures(ProxyStore& proxies, Ask ask, QObject* parent)
    : QObject(parent), m_proxies(proxies), m_ask(std::move(ask)), m_known(kKnownInMemory, kKnownInAll)
{
    connect(&proxies, &ProxyStore::thumbnailReady, this, [this](std::int64_t frame) { renew(frame); });
}

void SheetPictures::setFrames(std::vector<std::int64_t> frames)
{
    m_frames = std::move(frames);
    m_at = 0;
    next();
}

void SheetPictures::setState(State state)
{
    if (m_state == state)
        return;
    m_state = state;
    renew();
}

void SheetPictures::setShown(bool on)
{
    m_isShown = on;
    next();
}

void SheetPictures::renew()
{
    ++m_version;
    m_at = 0;
    m_wanted.clear();
    next();
}

void SheetPictures::renew(std::int64_t frame)
{
    if (const auto found = m_entries.find(frame); found != m_entries.end())
        found->version = 0;
    m_at = 0;
    next();
}

void SheetPictures::clear()
{
    m_cancel.cancel();
    m_cancel = CancelToken();
    m_entries.clear(), m_known.clear(), m_knownKeys.clear(), m_wanted.clear();
    m_frames.clear();
    m_isWorking = false;
}

bool SheetPictures::isRight(std::int64_t frame) const
{
    const auto found = m_entries.constFind(frame);
    return found != m_entries.constEnd() && found->version == m_version;
}

int SheetPictures::rightCount() const
{
    return static_cast<int>(
        std::count_if(m_frames.begin(), m_frames.end(), [&](std::int64_t f) { return isRight(f); }));
}

QImage SheetPictures::picture(std::int64_t frame)
{
    const auto found = m_entries.find(frame);
    QImage newest = found == m_entries.end() ? QImage() : m_known.picture(found->key);
    // Given up for others, it is made again.
    if (found != m_entries.end() && newest.isNull())
        found->version = 0;
    if (!isRight(frame)) {
        m_wanted.removeOne(frame);
        m_wanted.append(frame);
        next();
    }
    return newest;
}

/// What is seen, the latest asked for first; then the others in their order. 0: nothing is to be done.
std::int64_t SheetPictures::chooseNext()
{
    while (!m_wanted.isEmpty()) {
        const std::int64_t frame = m_wanted.takeLast();
        if (!isRight(frame) && m_proxies.hasSmall(frame))
            return frame;
    }
    for (; m_at < m_frames.size(); ++m_at)
        if (!isRight(m_frames[m_at]) && m_proxies.hasSmall(m_frames[m_at]))
            return m_frames[m_at++];
    return 0;
}

void SheetPictures::next()
{
    if (m_isWorking || !m_isShown || m_state == State::AsItCame)
        return;
    if (const std::int64_t frame = chooseNext(); frame != 0)
        begin(frame);
    else
        emit rested();
}

void SheetPictures::begin(std::int64_t frame)
{
    auto asked = m_ask(frame);
    if (!asked)
        return next();
    m_isWorking = true;
    const bool isFinished = m_state == State::Finished;
    m_proxies.queue().start(RenderQueue::Priority::Sheet, [this, frame, isFinished, source = m_proxies.small(frame),
                                                           ask = std::move(*asked), version = m_version,
                                                           cancel = m_cancel] {
        if (cancel.isCancelled())
            return;
        std::optional<RenderPlan> plan;
        if (isFinished)
            if (auto compiled = RenderPlan::compile(ask.look ? lookFor(*ask.look, ask.name) : Look{}))
                plan = std::move(*compiled);
        const std::string key = keyOf(frame, ask, plan ? &*plan : nullptr);
        Picture picture{m_known.picture(key), {}};
        if (!picture.image.isNull()) {
            const std::lock_guard lock(m_knownMutex);
            if (const auto keys = m_knownKeys.find(key); keys != m_knownKeys.end())
                picture.keys = keys->second;
        }
        if (picture.image.isNull())
            picture = made(*source, ask, plan ? &*plan : nullptr);
        post(this, [this, frame, version, key, picture, cancel] {
            if (!cancel.isCancelled())
                finish(frame, version, key, picture);
        });
    });
}

void SheetPictures::finish(std::int64_t frame, std::uint64_t version, const std::string& key, const Picture& picture)
{
    Entry& entry = m_entries[frame];
    const bool isOther = entry.key != key || !m_known.has(key);
    entry = {key, version, picture.keys};
    if (!m_known.has(key))
        m_known.put(key, picture.image);
    if (!picture.keys.empty()) {
        const std::lock_guard lock(m_knownMutex);
        m_knownKeys[key] = picture.keys;
        // Now and then those go whose pictures were given up.
        constexpr std::size_t kManyKeys = 4096;
        if (m_knownKeys.size() % kManyKeys == 0)
            std::erase_if(m_knownKeys, [this](const auto& known) { return !m_known.has(known.first); });
    }
    m_isWorking = false;
    if (isOther)
        emit ready(frame);
    next();
}

}  // namespace amber
