#include "core/proof/cure.h"

#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"

#include <cmath>

namespace amber {
namespace {

/// A change with more or less of it: 0 is none, 1 all that makes sense.
struct Way {
    std::function<Treatment(double amount)> treat;
    std::function<std::string(double amount)> words;
};

class Trial {
public:
    Trial(const Finding& finding, const FrameToCure& frame, const std::vector<FrameToCure>& light,
          const Look& lookForAll, const std::vector<KeyColour>& keys, const CheckUse& use)
        : m_finding(finding), m_frame(frame), m_lookForAll(lookForAll), m_keys(keys), m_use(use)
    {
        for (const FrameToCure& other : light)
            if (other.frame.frame != frame.frame.frame)
                m_light.push_back(summaryOf(CheckedFrame(other.frame, *other.evidence, lookForAll, keys)));
        m_own = summaryOf(CheckedFrame(frame.frame, *frame.evidence, lookForAll, keys));
        m_before = measured(untreated());
    }

    CureTried run()
    {
        std::string why;
        const std::optional<Way> way = wayOf(why);
        if (!way)
            return {std::nullopt, why};
        const auto amount = leastAmount(*way);
        if (!amount)
            return {std::nullopt, phrase("not even all of it takes the finding away: %1", {way->words(1)})};
        Cure cure;
        Seen after;
        // The least that does it may bring it only to where something else begins.
        for (const double more : {0.0, 0.12, 0.3, 0.6, 1.0}) {
            const double all = *amount + more * (1 - *amount);
            cure.treatment = way->treat(all), cure.words = way->words(all);
            after = measured(cure.treatment);
            const std::string broken = brokenBy(after);
            if (broken.empty())
                break;
            if (more == 0.0)
                why = phrase("%1 would take it away, but %2", {cure.words, broken});
            if (more == 1.0)
                return {std::nullopt, why};
        }
        cure.before = m_finding.measured.value, cure.after = valueOf(after.measured);
        for (const auto& [name, lab] : after.keys)
            if (const auto was = m_before.keys.find(name); was != m_before.keys.end())
                cure.keysMoved = std::max(cure.keysMoved, ciede2000(was->second, lab));
        return {cure, {}};
    }

private:
    struct Seen {
        FrameMeasured measured;
        std::map<std::string, Lab> keys;
    };
    const Look& lookHere() const { return m_frame.frame.look ? *m_frame.frame.look : m_lookForAll; }
    Treatment untreated() const { return {m_frame.frame.balance, lookHere(), false}; }

    Seen measured(const Treatment& treatment) const
    {
        ReadFrame frame = m_frame.frame;
        frame.balance = treatment.balance;
        frame.look = std::make_shared<const Look>(treatment.look);
        const CheckedFrame checked(frame, *m_frame.evidence, treatment.look, m_keys);
        Seen seen{measureFrame(checked), {}};
        std::vector<FrameSummary> summaries = m_light;
        summaries.push_back(summaryOf(checked));
        seen.keys = summaries.back().keys;
        std::vector<FrameMeasured> others(m_light.size());
        std::vector<FrameMeasured*> all;
        for (FrameMeasured& other : others)
            all.push_back(&other);
        all.push_back(&seen.measured);
        compareFrames(summaries, m_keys, all);
        return seen;
    }
    double valueOf(const FrameMeasured& measured) const
    {
        const auto own = measured.find(m_finding.kind->id);
        for (const Measured& m : own == measured.end() ? std::vector<Measured>{} : own->second)
            if (m.part == m_finding.measured.part)
                return m.value;
        return 0;
    }
    /// By halving: what is taken away by an amount is taken away by more of it.
    std::optional<double> leastAmount(const Way& way) const
    {
        constexpr int kHalvings = 6;
        const double wanted = 0.97 * m_finding.limit;
        const auto isGone = [&](double amount) { return valueOf(measured(way.treat(amount)).measured) <= wanted; };
        if (!isGone(1))
            return std::nullopt;
        double low = 0, high = 1;
        for (int i = 0; i < kHalvings; ++i) {
            const double middle = (low + high) / 2;
            (isGone(middle) ? high : low) = middle;
        }
        return high;
    }
    /// Another check that is past its limit and was not, or is by a tenth worse than it was.
    std::string brokenBy(const Seen& after) const
    {
        constexpr double kWorse = 1.1;
        const std::vector<Finding> before = findingsOf(0, m_before.measured, m_use);
        for (const Finding& f : findingsOf(0, after.measured, m_use)) {
            bool isKnown = false;
            for (const Finding& b : before)
                isKnown = isKnown || (b.kind == f.kind && b.measured.part == f.measured.part &&
                                      f.measured.value <= kWorse * b.measured.value);
            if (!isKnown)
                return phrase("%1 would then be past its limit: %2", {phrase(f.kind->title), f.measured.words});
        }
        return {};
    }

    std::optional<Way> wayOf(std::string& why) const;
    std::optional<Way> balanceWay(std::string& why) const;
    Way ofBalance(std::function<void(FrameBalance&, double)> change, std::function<std::string(double)> words) const;
    Way turned() const;
    std::optional<Way> whiteWay(std::string& why) const;
    /// A balanced colour of the frame, and what it should be: grey, or what the lead shows.
    std::optional<std::pair<LinearRgb, LinearRgb>> neutralPair() const;
    std::optional<std::pair<LinearRgb, LinearRgb>> pairWithLead() const;
    Way addedStep(Step step, std::function<void(Step&, double)> more, std::function<std::string(double)> words) const;
    Way grain() const;
    Way quieterHue() const;
    Way weakerStep(std::size_t step) const;

    const Finding& m_finding;
    const FrameToCure& m_frame;
    const Look& m_lookForAll;
    const std::vector<KeyColour>& m_keys;
    const CheckUse& m_use;
    std::vector<FrameSummary> m_light;
    FrameSummary m_own;
    Seen m_before;
};

/// The step's strength, held by this frame alone.
Way Trial::weakerStep(std::size_t step) const
{
    const Look look = lookHere();
    const double strength = stepFor(look.steps[step], m_frame.frame.name).strength;
    const std::string own = m_frame.frame.name.own;
    const auto at = [strength](double amount) { return std::round(100 * strength * (1 - amount)) / 100; };
    return {[look, step, own, at, balance = m_frame.frame.balance](double amount) {
                Treatment treatment{balance, look, true};
                treatment.look.steps[step] = withHeld(look.steps[step], own, step_part::kStrength, Json(at(amount)));
                return treatment;
            },
            [step, at, title = titleOf(look.steps[step])](double amount) {
                return phrase("Step %1, %2, at strength %3 on this frame",
                              {std::to_string(step + 1), phrase(title.c_str()), fixedText(at(amount), 2)});
            }};
}

Way Trial::ofBalance(std::function<void(FrameBalance&, double)> change, std::function<std::string(double)> words) const
{
    return {[look = lookHere(), balance = m_frame.frame.balance, change = std::move(change)](double amount) {
                FrameBalance changed = balance;
                change(changed, amount);
                return Treatment{changed, look, false};
            },
            std::move(words)};
}

Way Trial::turned() const
{
    const Standing& standing = m_frame.evidence->standing;
    const double turn = -standing.uprightTilt.value_or(standing.levelTilt.value_or(0));
    const double ratio = static_cast<double>(m_frame.evidence->width) / std::max(1, m_frame.evidence->height);
    return ofBalance(
        [turn, ratio](FrameBalance& b, double) {
            b.geometry.straightenDegrees = turn;
            b.geometry.crop = inscribedCrop(b.optics, b.geometry, ratio, b.geometry.ratio);
        },
        [turn](double) { return phrase("Turned by %1°", {signedText(turn, 1)}); });
}

std::optional<std::pair<LinearRgb, LinearRgb>> Trial::neutralPair() const
{
    const auto own = m_own.keysBefore.find(m_finding.measured.part);
    if (own == m_own.keysBefore.end())
        return std::nullopt;
    const double grey = luminanceOf(own->second);
    return std::pair(own->second, LinearRgb{grey, grey, grey});
}

std::optional<std::pair<LinearRgb, LinearRgb>> Trial::pairWithLead() const
{
    const std::string& part = m_finding.measured.part;
    for (const FrameSummary& other : m_light) {
        if (!other.isLead)
            continue;
        if (const auto own = m_own.keysBefore.find(part), key = other.keysBefore.find(part);
            own != m_own.keysBefore.end() && key != other.keysBefore.end())
            return std::pair(own->second, key->second);
        if (const auto here = m_own.things.find(part), there = other.things.find(part);
            here != m_own.things.end() && there != other.things.end())
            return std::pair(here->second.before, there->second.before);
    }
    return std::nullopt;
}

/// The frame's light, moved so that a colour of it becomes another: a neutral grey, or what it is on the lead.
std::optional<Way> Trial::whiteWay(std::string& why) const
{
    const bool isNeutral = m_finding.kind->id == std::string_view("casts");
    const auto pair = isNeutral ? neutralPair() : pairWithLead();
    if (!pair) {
        why = isNeutral ? phrase("the look tints it, not the light") : phrase("the lead of the light does not show it");
        return std::nullopt;
    }
    const Balance to = fitBalance({pair->first}, {pair->second}, m_frame.frame.response).balance;
    const auto part_of = [to, isNeutral](double amount) {
        std::array<double, 3> gains = coneGains(to);
        const double middle = isNeutral ? gains[1] : 0;  // a white moves no brightness
        for (double& gain : gains)
            gain = amount * (gain - middle);
        return fromConeGains(gains);
    };
    return ofBalance(
        [part_of](FrameBalance& b, double amount) {
            b.light = added(b.light, part_of(amount));
            b.whiteLocked = true;
        },
        [part_of](double amount) {
            const Balance b = part_of(amount);
            return phrase("Light of this frame moved by %1 stops, white to %2 K, tint %3",
                          {signedText(b.exposureStops, 2), fixedText(b.kelvin, 0), signedText(b.tint, 1)});
        });
}

/// A further step, last in the look, that only this frame has.
Way Trial::addedStep(Step step, std::function<void(Step&, double)> more, std::function<std::string(double)> words) const
{
    step.strength = 0;
    step.note = "for one frame";
    return {
        [step, more, look = lookHere(), own = m_frame.frame.name.own, balance = m_frame.frame.balance](double amount) {
            Treatment treatment{balance, look, true};
            Step mine = step;
            more(mine, amount);
            treatment.look.steps.push_back(withHeld(mine, own, step_part::kStrength, Json(1.0)));
            return treatment;
        },
        std::move(words)};
}

Way Trial::grain() const
{
    constexpr double kMost = 0.08;
    const auto at = [](double amount) { return std::round(1000 * kMost * amount) / 1000; };
    Step step;
    step.parameters = Grain{};
    return addedStep(
        step, [at](Step& s, double amount) { std::get<Grain>(s.parameters).amount = at(amount); },
        [at](double amount) {
            return phrase("Grain of %1, last in the look, on this frame", {fixedText(at(amount), 3)});
        });
}

/// Less chroma about the hue of what stands out.
Way Trial::quieterHue() const
{
    ReadFrame frame = m_frame.frame;
    const CheckedFrame checked(frame, *m_frame.evidence, lookHere(), m_keys);
    const OkLch hue = toOkLch(toOkLab(meanOf(checked.finished(), m_finding.measured.place)));
    const auto at = [](double amount) { return std::round(100 * (1 - amount)) / 100; };
    Step step;
    step.parameters = Chroma{};
    step.guard.hueCentre = hue.hueDegrees, step.guard.hueWidth = 70;
    return addedStep(
        step, [at](Step& s, double amount) { std::get<Chroma>(s.parameters).even = at(amount); },
        [at, degrees = hue.hueDegrees](double amount) {
            return phrase("Chroma at %1 % about hue %2°, last in the look, on this frame",
                          {fixedText(100 * at(amount), 0), fixedText(degrees, 0)});
        });
}

std::optional<Way> Trial::balanceWay(std::string& why) const
{
    const std::string id = m_finding.kind->id;
    const FrameBalance balance = m_frame.frame.balance;
    if (m_finding.measured.part == "file") {
        why = phrase("the file holds nothing there; another exposure of it might");
        return std::nullopt;
    }
    if (id == "bare-paper" || id == "near-clipping") {
        const auto to = [white = balance.ends.white](double amount) { return white + 0.35 * amount; };
        return ofBalance(
            [to](FrameBalance& b, double amount) { b.ends.white = to(amount), b.endsLocked = true; },
            [to](double amount) { return phrase("White end at %1 on this frame", {fixedText(to(amount), 2)}); });
    }
    if (id == "noise") {
        const auto to = [is = balance.optics.noise](double amount) { return is + amount * (1 - is); };
        return ofBalance(
            [to](FrameBalance& b, double amount) { b.optics.noise = to(amount); },
            [to](double amount) { return phrase("Noise taken off by %1 %", {fixedText(100 * to(amount), 0)}); });
    }
    if (id == "tilt" && m_finding.measured.part.empty())
        return turned();
    why = phrase("no single change of the balance mends it");
    return std::nullopt;
}

std::optional<Way> Trial::wayOf(std::string& why) const
{
    const std::string id = m_finding.kind->id;
    if (m_finding.measured.step >= 0 && static_cast<std::size_t>(m_finding.measured.step) < lookHere().steps.size())
        return weakerStep(static_cast<std::size_t>(m_finding.measured.step));
    if (id == "mixed-light")
        why = phrase("no one white is right for both parts: an area with a white of its own is");
    else if (id == "focus")
        why = phrase("what is out of focus cannot be brought back");
    else if (id == "casts" || id == "consistency" || id == "same-person" || id == "same-backdrop")
        return whiteWay(why);
    else if (id == "banding")
        return grain();
    else if (id == "off-plan")
        return quieterHue();
    else
        return balanceWay(why);
    return std::nullopt;
}

}  // namespace

CureTried cureFor(const Finding& finding, const FrameToCure& frame, const std::vector<FrameToCure>& light,
                  const Look& lookForAll, const std::vector<KeyColour>& keys, const CheckUse& use)
{
    return Trial(finding, frame, light, lookForAll, keys, use).run();
}

}  // namespace amber
