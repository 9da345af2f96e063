// Taking in Match: rows, fits, light, framing.
#include "app/places/match/match_place.h"

#include "app/places/match/carry_sheet.h"
#include "app/places/match/nearest_sheet.h"
#include "core/frame/frame_masks.h"
#include "core/image/read.h"
#include "core/job/edits.h"
#include "core/look/scope.h"
#include "core/match/carry.h"
#include "core/match/fall_step.h"
#include "core/match/framing_offer.h"
#include "core/match/merge_group.h"
#include "core/match/same_scene.h"

#include <QtWidgets>

namespace amber {

void MatchPlace::takeThis()
{
    const int row = m_table->currentIndex().row();
    const LadderRow* r = m_model->row(row);
    if (!r || !r->isSupported())
        return;
    const QString action = tr("%1 from %2").arg(m_model->nameOf(*r), group());
    if (r->kind() == RungKind::Frame)
        takeFraming(action);
    else if (isAcross(r->rung))
        takeFall(static_cast<std::size_t>(row), action);
    else
        take({static_cast<std::size_t>(row)}, HowFar::AllTheWay, action);
}

/// Cuts the frame in hand: of one scene to what the reference shows, else to its ratio with the eye drawn to the same
/// place.
void MatchPlace::takeFraming(const QString& action)
{
    const LadderRow* row = m_model->ladder().find(Rung::Framing);
    const auto picture = large();
    if (!row || !picture || m_task->isRunning())
        return;
    const double own = static_cast<double>(picture->width()) / picture->height();
    const std::optional<Region> region = isRegistered()
                                             ? framedAs(*m_related->registration())
                                             : croppedLike(own, row->reference, row->ourEye, row->referenceEye);
    if (!region) {
        emit m_document.failed(tr("Ours shows too little of what the reference shows to be cut like it."));
        return;
    }
    const std::int64_t frame = m_document.selection().frameInHand();
    FrameBalance balance = m_document.balances().of(frame);
    Region& crop = balance.geometry.crop;
    const double width = crop.right - crop.left, height = crop.bottom - crop.top;
    crop = {crop.left + region->left * width, crop.top + region->top * height, crop.left + region->right * width,
            crop.top + region->bottom * height};
    balance.geometry.ratio = 0;
    m_document.balances().set({{frame, balance}}, action);
}

/// Light across the frame: the area of its role comes to lie on the frame in hand, then the step is brought to it.
void MatchPlace::takeFall(std::size_t at, const QString& action)
{
    const Rung rung = m_model->row(static_cast<int>(at))->rung;
    const std::string role = fallRole(rung).name;
    const std::int64_t frame = m_document.selection().frameInHand();
    const auto proxy = m_related->picture();
    if (m_task->isRunning() || !m_related->isReady() || !proxy)
        return;
    if (!m_document.job().areaOf(frame, role)) {
        Job after = m_document.job();
        after.areas[{frame, role}] = fallArea(rung, m_document.balances().of(frame).geometry.crop);
        if (!m_document.commit(after, tr("Where the %1 lies").arg(text(role).toLower())))
            return;
    }
    RowsAsked asked = rowsAsked({at}, HowFar::AllTheWay);
    take(
        [asked = std::move(asked), proxy,
         areas = m_document.areasOf(frame, proxy->sourceRatio)](const CancelToken& cancel) mutable {
            std::vector<std::string> roles;
            for (const auto& [name, area] : areas->byRole)
                roles.push_back(name);
            asked.ours.masks = {masksOf(*areas, roles, proxy->image.view())};
            return amber::take(asked, cancel);
        },
        action);
}

RowsAsked MatchPlace::rowsAsked(const std::set<std::size_t>& rows, HowFar howFar) const
{
    return {oursLook(),     m_related->small(),
            large(),        m_held.kind == Held::Kind::Nothing ? *m_document.looks().look().reference : m_held.print,
            rows,           group().toStdString(),
            isRegistered(), howFar == HowFar::AsIsLikely,
            atOurPlaces()};
}

void MatchPlace::takeToHere()
{
    take(rowsDownTo(m_table->currentIndex().row(), Which::Supported), HowFar::AllTheWay,
         tr("Light and colour from %1, in part").arg(group()));
}

void MatchPlace::takeAll()
{
    const QString action = tr("Match to %1").arg(group());
    if (!isRegistered() || !m_held.picture || !m_related->picture()) {
        take(rowsDownTo(m_model->rowCount(), Which::Sure), HowFar::AsIsLikely, action);
        return;
    }
    // Both show the same things: what became of their colours decides.
    take(
        [look = oursLook(), small = m_related->small(), print = m_held.print, group = group().toStdString(),
         ours = m_related->picture(), reference = m_held.picture,
         registration = *m_related->registration()](const CancelToken& cancel) -> Result<Taken> {
            auto scene = takeScene(look, {{ours->image.view(), reference->view(), registration, small.masksOf(0)}},
                                   small, print, group, cancel);
            if (!scene)
                return tl::make_unexpected(scene.error());
            return std::move(scene->taken);
        },
        action);
}

void MatchPlace::take(const std::set<std::size_t>& rows, HowFar howFar, const QString& action)
{
    if (rows.empty() || !m_related->isReady() || m_model->rowCount() == 0)
        return;
    RowsAsked asked = rowsAsked(rows, howFar);
    take([asked = std::move(asked)](const CancelToken& cancel) { return amber::take(asked, cancel); }, action);
}

void MatchPlace::take(const std::function<Result<Taken>(const CancelToken&)>& work, const QString& action)
{
    if (m_task->isRunning() || !m_related->isReady())
        return;
    const std::int64_t frame = m_document.selection().frameInHand(), lookId = m_document.looks().lookId();
    const Look before = m_document.looks().look();
    auto taken = std::make_shared<std::optional<Result<Taken>>>();
    m_task->start([taken, work](const Task::Progress&, const CancelToken& cancel) { *taken = work(cancel); },
                  [this, taken, frame, lookId, before, action, print = m_held.print, group = group().toStdString(),
                   kind = m_held.kind](bool cancelled) {
                      if (cancelled || !*taken)
                          return;
                      if (!**taken) {
                          emit m_document.failed(text((*taken)->error().message()));
                          return;
                      }
                      if (m_document.looks().lookId() != lookId || !(m_document.looks().look() == before)) {
                          emit m_document.failed(
                              tr("The look was changed meanwhile; nothing was taken. Take it again."));
                          return;
                      }
                      const bool ofFrame = kind == Held::Kind::Frame;
                      Look look = (**taken)->look;
                      if (kind == Held::Kind::Pictures)
                          look.reference = print;
                      m_document.looks().takeLook(
                          mergedGroup(before, look, group, ofFrame ? std::to_string(frame) : std::string()), action);
                      refreshLadder(), showPictures();
                  });
}

void MatchPlace::takeFit(bool asNew)
{
    if (!m_held.isFit() || m_task->isRunning())
        return;
    Look look = asNew ? m_held.fit.fit.look : m_document.looks().look();
    if (asNew) {
        look.name = m_held.name().toStdString();
        m_document.looks().addLook(look);
    } else {
        const auto& steps = m_held.fit.fit.look.steps;
        if (look.steps.size() + steps.size() > kStepLimit) {
            emit m_document.failed(tr("The look has no room for %1 further steps.").arg(steps.size()));
            return;
        }
        look.steps.insert(look.steps.end(), steps.begin(), steps.end());
        m_document.looks().takeLook(look, tr("Fitted steps of %1").arg(m_held.name()));
    }
    emit workRequested();
}

Balance MatchPlace::solvedLight() const
{
    // What was solved brings it to the reference as it came; the reference's own balance comes on top.
    return added(m_related->solved()->balance, m_document.balances().of(m_held.frame).light);
}

void MatchPlace::takeBalance()
{
    if (!m_related->solved() || m_held.kind != Held::Kind::Frame)
        return;
    const std::int64_t frame = m_document.selection().frameInHand();
    FrameBalance balance = m_document.balances().of(frame);
    balance.light = solvedLight();
    balance.confidence = m_related->solved()->confidence;
    balance.because = tr("matched to %1").arg(m_held.name()).toStdString();
    m_document.balances().set({{frame, balance}}, tr("Balance from another frame"));
}

namespace {

/// A few frames of a light, read anew for the match.
struct FrameToRead {
    std::filesystem::path path;
    FrameBalance balance;
    Response response;
};
struct LightToRead {
    std::string name;
    std::vector<FrameToRead> frames;
};

std::vector<LightToRead> lightsToRead(const Document& document)
{
    constexpr std::size_t kMost = 3;
    std::vector<LightToRead> lights;
    for (const Light& light : document.job().lights) {
        LightToRead one{light.name, {}};
        const std::size_t count = std::min(kMost, light.frames.size());
        for (std::size_t i = 0; i < count; ++i)
            if (const Frame* frame = document.frame(light.frames[i * light.frames.size() / count])) {
                const FrameBalance balance = document.balances().of(frame->id);
                one.frames.push_back({frame->path, balance, document.balances().responseOf(balance)});
            }
        lights.push_back(std::move(one));
    }
    return lights;
}

/// Lights of which at least one frame can be read; `which` says which they are.
std::vector<LightPictures> readLights(const std::vector<LightToRead>& lights, std::vector<std::size_t>& which,
                                      const CancelToken& cancel)
{
    constexpr int kEdge = 512;
    std::vector<LightPictures> pictures;
    for (std::size_t i = 0; i < lights.size() && !cancel.isCancelled(); ++i) {
        LightPictures one{lights[i].name, {}};
        for (const FrameToRead& frame : lights[i].frames)
            if (auto picture = readReduced(frame.path, kEdge, false))
                one.ours.small.push_back(
                    forMatching(balancedPicture(std::move(picture->image), frame.balance, frame.response).view()));
        if (!one.ours.small.empty())
            pictures.push_back(std::move(one)), which.push_back(i);
    }
    return pictures;
}

}  // namespace

/// What was worked out for a frame is of no use once another is in hand; that is said.
bool MatchPlace::isLeft(std::int64_t frame)
{
    if (m_document.selection().frameInHand() == frame)
        return false;
    emit m_document.failed(tr("Another frame was taken in hand meanwhile. Ask for it again."));
    return true;
}

void MatchPlace::carryToLights()
{
    const std::set<std::size_t> rows =
        rowsTaken(oursLook(), group().toStdString(), m_model->ladder(), m_model->start());
    if (rows.empty() || m_task->isRunning() || !m_related->isReady())
        return;
    struct Work {
        std::vector<std::size_t> which;
        std::optional<Result<std::vector<CarriedLight>>> carried;
    };
    auto work = std::make_shared<Work>();
    m_task->start(
        [work, asked = rowsAsked(rows, HowFar::AllTheWay),
         lights = lightsToRead(m_document)](const Task::Progress& progress, const CancelToken& cancel) {
            const auto pictures = readLights(lights, work->which, cancel);
            work->carried = carriedToLights(
                asked, pictures,
                [&](std::size_t done) { progress(static_cast<int>(done), static_cast<int>(pictures.size())); }, cancel);
        },
        [this, work, before = m_document.looks().look(), frame = m_document.selection().frameInHand()](bool cancelled) {
            if (cancelled || !work->carried || isLeft(frame))
                return;
            if (!*work->carried) {
                emit m_document.failed(text(work->carried->error().message()));
                return;
            }
            std::vector<int> frames;
            const std::vector<Light>& lights = m_document.job().lights;
            for (const std::size_t light : work->which)
                frames.push_back(light < lights.size() ? static_cast<int>(lights[light].frames.size()) : 0);
            auto* sheet = new CarrySheet(**work->carried, frames, group(), this);
            sheet->setAttribute(Qt::WA_DeleteOnClose);
            connect(sheet, &QDialog::accepted, this,
                    [this, carried = **work->carried, which = work->which, before] { carry(carried, which, before); });
            sheet->open();
        });
}

/// Each light's steps become the values of its frames' set, as one gesture; `which` of the job's lights they are. The
/// frame in hand stays as it is.
void MatchPlace::carry(const std::vector<CarriedLight>& carried, const std::vector<std::size_t>& which,
                       const Look& before)
{
    if (!(m_document.looks().look() == before)) {
        emit m_document.failed(tr("The look was changed meanwhile; nothing was carried. Ask for it again."));
        return;
    }
    Look look = before;
    Job after = m_document.job();
    const std::string name = group().toStdString();
    const FrameId inHand = m_document.selection().frameInHand();
    for (std::size_t i = 0; i < carried.size(); ++i) {
        if (which[i] >= after.lights.size())
            continue;
        const int light = static_cast<int>(which[i]);
        after = withSetOfLight(std::move(after), light);
        look = mergedGroup(look, carried[i].look, name, holderOfSet(setOfLight(after, light)->name));
        for (const FrameId frame : after.lights[which[i]].frames)
            if (frame != inHand)
                look = withoutOwnOfGroup(std::move(look), name, std::to_string(frame));
    }
    look = withGroupKept(std::move(look), before, name, after.pictureName(inHand));
    m_document.looks().takeLook(look, after, tr("Match to %1 in all lights").arg(group()));
    refreshLadder(), showPictures();
}

/// Looks on the frame in hand, in this order.
std::vector<Tile> MatchPlace::tilesOf(const std::vector<NearLook>& near, const std::vector<Look>& looks) const
{
    const FrameId frame = m_document.selection().frameInHand();
    const auto proxy = m_related->picture();
    std::vector<Tile> tiles;
    for (const NearLook& one : near) {
        Tile tile;
        tile.look = looks[one.look], tile.proxy = proxy, tile.picture = m_document.looks().pictureName(frame);
        tile.title = text(looks[one.look].name);
        tile.areas = m_document.areasOf(frame, proxy->sourceRatio);
        tiles.push_back(std::move(tile));
    }
    return tiles;
}

void MatchPlace::showNearest()
{
    const auto proxy = m_related->picture();
    const Fingerprint* print = m_held.kind != Held::Kind::Nothing    ? &m_held.print
                               : m_document.looks().look().reference ? &*m_document.looks().look().reference
                                                                     : nullptr;
    if (!proxy || !print || m_task->isRunning() || !m_related->isReady())
        return;
    const FrameId frame = m_document.selection().frameInHand();
    std::vector<Look> looks;
    std::vector<LookId> ids;
    for (const LookEntry& entry : m_document.looks().entries())
        if (const auto look = m_document.looks().lookOfEntry(entry.id))
            looks.push_back(lookFor(*look, m_document.looks().pictureName(frame))), ids.push_back(entry.id);
    auto near = std::make_shared<std::vector<NearLook>>();
    m_task->start(
        [near, looks, ours = m_related->small(), print = *print, same = isRegistered(),
         there = atOurPlaces()](const Task::Progress&, const CancelToken&) {
            *near = nearestLooks(looks, ours, there ? there(membershipOf(ours.small, false)) : print, same);
        },
        [this, near, looks, ids, frame, name = text(print->name)](bool cancelled) {
            if (cancelled || near->empty() || isLeft(frame))
                return;
            auto* sheet = new NearestSheet(tilesOf(*near, looks), *near, name, m_proxies.queue(), this);
            sheet->setAttribute(Qt::WA_DeleteOnClose);
            connect(sheet, &QDialog::accepted, this, [this, sheet, near, ids] {
                const int at = sheet->chosen();
                if (at >= 0 && static_cast<std::size_t>(at) < near->size())
                    m_document.looks().choose(ids[(*near)[static_cast<std::size_t>(at)].look]);
            });
            sheet->open();
        });
}

}  // namespace amber
