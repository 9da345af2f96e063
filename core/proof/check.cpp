#include "core/proof/check.h"

#include "core/area/area_measures.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/image/oklab_picture.h"
#include "core/look/role_kind.h"
#include "core/proof/skins.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

Image srgbOf(ImageView picture)
{
    Image out(picture.width, picture.height);
    const Matrix3 m = fromWorking(RgbSpace::Srgb);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const float* p = picture.row(y) + std::ptrdiff_t{3} * x;
            const LinearRgb c = apply(m, LinearRgb{p[0], p[1], p[2]});
            float* q = out.mutableView().row(y) + std::ptrdiff_t{3} * x;
            q[0] = static_cast<float>(c.r), q[1] = static_cast<float>(c.g), q[2] = static_cast<float>(c.b);
        }
    return out;
}

}  // namespace

CheckedFrame::CheckedFrame(const ReadFrame& frame, const FrameEvidence& evidence, const Look& lookForAll,
                           const std::vector<KeyColour>& keys)
    : m_frame(frame), m_evidence(evidence), m_look(lookFor(frame.look ? *frame.look : lookForAll, frame.name)),
      m_balanced(balancedPicture(evidence.source.image(), frame.balance, frame.response))
{
    const double ratio = static_cast<double>(evidence.width) / std::max(1, evidence.height);
    if (!frame.areas.empty()) {
        std::vector<std::string> roles;
        for (const auto& [role, area] : frame.areas)
            roles.push_back(role);
        m_roleMasks = masksOf(FrameAreas{frame.areas, frame.balance, ratio}, roles, m_balanced.view());
        for (const std::string& role : roles)
            if (const Plane* mask = m_roleMasks ? m_roleMasks->find(role) : nullptr;
                mask && mask->width == width() && mask->height == height())
                m_masks[role] = *mask;
    }
    m_finished = rendered(m_look, kStepLimit);
    m_finishedSrgb = srgbOf(m_finished.view());
    m_before = okLabsOf(m_balanced.view()), m_after = okLabsOf(m_finished.view());
    const Placement placement = frame.balance.placement(evidence.width, evidence.height);
    for (const Face& face : evidence.faces)
        if (const Region place = placement.inPlaced(face.place);
            place.right > 0 && place.left < 1 && place.bottom > 0 && place.top < 1)
            m_faces.push_back(place);
    placeKeys(keys);
}

void CheckedFrame::placeKeys(const std::vector<KeyColour>& keys)
{
    constexpr double kSure = 0.7;
    for (const KeyColour& key : keys) {
        const auto known = m_frame.places.find(key.name);
        const bool isHere = key.frame == m_frame.frame;
        if (!isHere && (known == m_frame.places.end() || known->second.second < kSure))
            continue;
        const Region place = isHere ? key.place : known->second.first;
        if (place.right > place.left)
            m_keys.push_back({&key, place, meanOf(balanced(), place), meanOf(finished(), place)});
    }
}

Image CheckedFrame::rendered(const Look& look, std::size_t steps) const
{
    Image out = m_balanced;
    if (const auto plan = RenderPlan::compile(look, steps)) {
        RenderOptions options{RenderOptions::Stage::All, std::max(m_evidence.width, m_evidence.height)};
        options.masks = m_roleMasks;
        render(*plan, m_balanced.view(), out.mutableView(), {}, options);
    }
    return out;
}

Image CheckedFrame::after(std::size_t steps) const { return rendered(m_look, steps); }

Image CheckedFrame::without(const std::set<std::size_t>& steps) const
{
    Look look = m_look;
    for (const std::size_t i : steps)
        if (i < look.steps.size())
            look.steps[i].enabled = false;
    return rendered(look, kStepLimit);
}

std::vector<std::pair<std::string, const Plane*>> CheckedFrame::rolesOf(Role::Kind kind) const
{
    std::vector<std::pair<std::string, const Plane*>> found;
    for (const auto& [name, mask] : m_masks) {
        const Role* role = roleOf(m_look, name);
        if ((role ? role->kind : kindByName(name)) == kind)
            found.emplace_back(name, &mask);
    }
    return found;
}

const Plane* CheckedFrame::subject() const
{
    if (const auto subjects = rolesOf(Role::Kind::Subject); !subjects.empty())
        return subjects.front().second;
    const auto things = rolesOf(Role::Kind::Thing);
    return things.size() == 1 ? things.front().second : nullptr;
}

int CheckedFrame::stepThatDid(const std::function<double(ImageView)>& measure) const
{
    const double first = measure(balanced()), all = measure(finished()) - first;
    double last = first, most = 0;
    int found = -1;
    for (std::size_t i = 0; i < m_look.steps.size(); ++i) {
        if (isIdentity(m_look.steps[i]))
            continue;
        const Image then = after(i + 1);
        const double now = measure(then.view());
        if (now - last > most)
            most = now - last, found = static_cast<int>(i);
        last = now;
    }
    return most >= 0.5 * all ? found : -1;
}

double CheckUse::limitOf(const CheckKind& kind) const
{
    const auto own = limits.find(kind.id);
    return own == limits.end() ? kind.limits[static_cast<std::size_t>(std::clamp(base, 0, 2))] : own->second;
}

const std::array<CheckUse, 3>& checkUses()
{
    static const std::array<CheckUse, 3> uses{CheckUse{"screen", 0}, CheckUse{"print", 1}, CheckUse{"archive", 2}};
    return uses;
}

const CheckKind* checkKind(std::string_view id)
{
    for (const CheckKind* kind : checkKinds())
        if (kind->id == id)
            return kind;
    return nullptr;
}

FindingId idOf(const Finding& finding, const std::string& use)
{
    return {finding.frame, use, finding.kind->id, finding.measured.part};
}

const Acceptance* acceptanceOf(const Finding& finding, const std::string& use, const Acceptances& all)
{
    const auto found = all.find(idOf(finding, use));
    return found != all.end() && found->second.covers(finding.measured.value) ? &found->second : nullptr;
}

FrameMeasured measureFrame(const CheckedFrame& frame)
{
    FrameMeasured all;
    for (const CheckKind* kind : checkKinds())
        if (kind->measure)
            kind->measure(frame, all[kind->id]);
    return all;
}

FrameSummary summaryOf(const CheckedFrame& frame)
{
    FrameSummary s;
    s.frame = frame.frame().frame, s.group = frame.frame().group, s.isLead = frame.frame().isLead;
    s.keyStops = frame.frame().balance.keyStops;
    s.toneAfter = toneColumns(frame.finished());
    double sum = 0;
    for (std::size_t i = 0; i < frame.pixels(); ++i)
        sum += frame.labAfter()[i].L - frame.labBefore()[i].L;
    s.lookBrightness = frame.pixels() > 0 ? sum / static_cast<double>(frame.pixels()) : 0;
    for (const CheckedFrame::Key& key : frame.keys())
        s.keys[key.colour->name] = toLab(key.after), s.keysBefore[key.colour->name] = key.before;
    constexpr double kLeast = 0.002;
    for (const auto& [name, mask] : frame.masks()) {
        const Role* role = roleOf(frame.look(), name);
        if (shareOf(mask) > kLeast)
            s.things[name] = {role ? role->kind : kindByName(name), placeOf(mask),
                              toLinearRgb(meanUnder(frame.balanced(), mask)),
                              toLab(toLinearRgb(meanUnder(frame.finished(), mask)))};
    }
    s.colours = std::make_shared<const RatioMap>(frame.balanced(), Response{});
    return s;
}

const FrameSummary* standsFor(std::span<const FrameSummary> frames, int group,
                              const std::function<bool(const FrameSummary&)>& has)
{
    const FrameSummary* first = nullptr;
    for (const FrameSummary& f : frames) {
        if (f.group != group || !has(f))
            continue;
        if (f.isLead)
            return &f;
        first = first ? first : &f;
    }
    return first;
}

void compareFrames(std::span<const FrameSummary> summaries, const std::vector<KeyColour>& keys,
                   std::span<FrameMeasured* const> measured)
{
    for (const CheckKind* kind : checkKinds()) {
        if (!kind->compare)
            continue;
        std::vector<std::vector<Measured>*> own;
        for (FrameMeasured* frame : measured)
            own.push_back(&(*frame)[kind->id]);
        kind->compare(summaries, keys, own);
    }
}

std::vector<Finding> findingsOf(std::int64_t frame, const FrameMeasured& measured, const CheckUse& use)
{
    std::vector<Finding> found;
    for (const CheckKind* kind : checkKinds()) {
        const auto own = measured.find(kind->id);
        for (const Measured& m : own == measured.end() ? std::vector<Measured>{} : own->second) {
            const double limit = m.limit.value_or(use.limitOf(*kind));
            if (m.value > limit)
                found.push_back({frame, kind, m, limit});
        }
    }
    std::stable_sort(found.begin(), found.end(),
                     [](const Finding& a, const Finding& b) { return a.severity() > b.severity(); });
    return found;
}

}  // namespace amber
