#include "app/places/balance/base_measures.h"

#include "app/words/words.h"
#include "core/image/metadata.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/job/shoot_work.h"
#include "core/optics/noise_setting.h"

#include <cmath>

namespace amber {
namespace {

constexpr int kSmallEdge = 420;
constexpr std::size_t kMostFrames = 60;  // of a light: more tell nothing new

/// Some of them, evenly.
std::vector<BaseMeasures::Work> some(const std::vector<BaseMeasures::Work>& all)
{
    std::vector<BaseMeasures::Work> few;
    for (std::size_t i = 0; i < std::min(all.size(), kMostFrames); ++i)
        few.push_back(all[i * all.size() / std::min(all.size(), kMostFrames)]);
    return few;
}

std::vector<std::int64_t> framesOf(const std::vector<BaseMeasures::Work>& works)
{
    std::vector<std::int64_t> frames;
    for (const auto& w : works)
        frames.push_back(w.frame);
    return frames;
}

/// Those taken through the lens of `inHand`; the frames of its light when its file names no lens.
std::vector<BaseMeasures::Work> ofOneLens(const BaseMeasures::Work& inHand, const std::vector<BaseMeasures::Work>& all,
                                          const std::vector<BaseMeasures::Work>& light)
{
    constexpr double kSameFocal = 0.03;
    const CaptureFacts facts = captureFacts(inHand.path);
    if (facts.lens.empty())
        return light;
    std::vector<BaseMeasures::Work> same;
    for (const auto& w : all)
        if (const CaptureFacts other = captureFacts(w.path);
            other.lens == facts.lens &&
            std::abs(other.focalLength - facts.focalLength) <= kSameFocal * facts.focalLength)
            same.push_back(w);
    return same;
}

std::optional<double> falloffOf(const BaseMeasures::Work& work)
{
    auto picture = readReduced(work.path, kSmallEdge, true);
    if (!picture)
        return std::nullopt;
    // Scene light: back through the camera's rendering, where that is known.
    MutableImageView view = picture->image.mutableView();
    for (int i = 0; !work.response.isIdentity() && i < view.width * view.height; ++i) {
        float* p = view.data + 3 * i;
        const LinearRgb c = toSceneLight(work.response, {p[0], p[1], p[2]});
        p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
    }
    return apparentFalloff(view, work.response.toScene(1));
}

/// A value, or why there is none.
template <class Value>
struct Outcome {
    std::optional<Value> value;
    QString fault;
};

}  // namespace

BaseMeasures::BaseMeasures(RenderQueue& queue, QObject* parent)
    : QObject(parent), m_slot(new RenderSlot(queue, RenderQueue::Priority::InHand, this)),
      m_neutrals(new RenderSlot(queue, RenderQueue::Priority::Companion, this)),
      m_card(new RenderSlot(queue, RenderQueue::Priority::Sheet, this))
{
}

void BaseMeasures::drop() { m_slot->drop(), m_neutrals->drop(), m_card->drop(); }

template <class Value, class Measure, class Show>
void BaseMeasures::onFile(const Work& work, Measure measure, Show show)
{
    m_slot->run(
        [work, measure](const CancelToken&) -> Outcome<Value> {
            auto picture = readPicture(work.path);
            if (!picture)
                return {std::nullopt, text(picture.error().message())};
            return {measure(picture->image), {}};
        },
        [this, show](const Outcome<Value>& found) { found.value ? show(*found.value) : emit failed(found.fault); });
}

void BaseMeasures::findLens(const Work& work, const std::vector<std::filesystem::path>& folders)
{
    m_slot->run(
        [work, folders](const CancelToken&) -> std::optional<FoundLens> {
            const CaptureFacts facts = captureFacts(work.path);
            const auto info = readPictureInfo(work.path);
            if (!info)
                return std::nullopt;
            return amber::findLens(
                {facts.maker, facts.camera, facts.lens, facts.focalLength, facts.fNumber, info->width, info->height},
                folders);
        },
        [this, work](const std::optional<FoundLens>& lens) { emit lensFound(work.frame, lens); });
}

void BaseMeasures::upright(const Work& work)
{
    onFile<Upright>(
        work, [optics = work.balance.optics](const Image& image) { return measureUpright(image.view(), optics); },
        [this, work](const Upright& found) { emit uprightFound(work.frame, found); });
}

void BaseMeasures::fringes(const Work& work)
{
    onFile<Fringes>(
        work, [](const Image& image) { return measureFringes(image.view()); },
        [this, work](const Fringes& found) { emit fringesFound(work.frame, found); });
}

void BaseMeasures::noise(const Work& work)
{
    onFile<NoiseFound>(
        work,
        [](const Image& image) {
            NoiseFound found;
            found.noise = measureNoise(image.view());
            if (!found.noise.isKnown())
                return found;
            // A piece of the middle tells what full strength would do.
            constexpr int kPiece = 1200;
            const int w = std::min(kPiece, image.width()), h = std::min(kPiece, image.height());
            Image piece(w, h);
            for (int y = 0; y < h; ++y)
                std::copy_n(image.view().row((image.height() - h) / 2 + y) + 3 * ((image.width() - w) / 2), 3 * w,
                            piece.mutableView().row(y));
            Image quiet = piece;
            reduceNoise(quiet.mutableView(), found.noise, 1);
            const Noise before = measureNoise(piece.view()), after = measureNoise(quiet.view());
            if (before.isKnown() && after.isKnown() && after.meanLightness > 0)
                found.decibels = 20 * std::log10(before.meanLightness / after.meanLightness);
            found.edgesKept = edgeContrastKept(piece.view(), quiet.view());
            return found;
        },
        [this, work](const NoiseFound& found) { emit noiseFound(work.frame, found); });
}

void BaseMeasures::falloff(const Work& inHand, const std::vector<Work>& all, const std::vector<Work>& light)
{
    struct Found {
        std::vector<std::int64_t> frames;
        std::optional<MeasuredFalloff> falloff;
    };
    m_slot->run(
        [inHand, all, light](const CancelToken& cancel) -> Found {
            const std::vector<Work> works = ofOneLens(inHand, all, light);
            std::vector<double> apparent;
            for (const Work& w : some(works)) {
                if (cancel.isCancelled())
                    return {};
                if (const auto stops = falloffOf(w))
                    apparent.push_back(*stops);
            }
            return {framesOf(works), measureFalloff(apparent)};
        },
        [this](const Found& found) { emit falloffFound(found.frames, found.falloff); });
}

void BaseMeasures::noiseBySensitivity(const std::vector<Work>& from, const std::vector<Work>& all)
{
    using Strengths = std::map<std::int64_t, double>;
    m_slot->run(
        [from, all](const CancelToken& cancel) {
            std::vector<NoiseSetting> settings;
            Strengths strengths, theirs;
            for (const Work& w : from)
                theirs[w.frame] = w.balance.optics.noise,
                settings.push_back({captureFacts(w.path).sensitivity, w.balance.optics.noise});
            for (const Work& w : all)
                if (cancel.isCancelled())
                    return Strengths();
                else if (const double sensitivity = captureFacts(w.path).sensitivity;
                         sensitivity > 0 && !theirs.contains(w.frame))
                    strengths[w.frame] = strengthAt(settings, sensitivity);
            return strengths;
        },
        [this](const Strengths& found) { emit strengthsFound(found); });
}

void BaseMeasures::ends(const std::vector<Work>& light, int use)
{
    m_slot->run(
        [few = some(light), use](const CancelToken& cancel) -> std::optional<BalanceEnds> {
            std::vector<Image> lit;
            for (Work w : few) {
                if (cancel.isCancelled())
                    return std::nullopt;
                w.balance.ends = {};
                if (auto picture = readReducedWithSamples(w.path, kSmallEdge, 160))
                    lit.push_back(
                        counted(balancedPicture(std::move(picture->samples), w.balance, w.response).view(), w.framing));
            }
            return solveEnds(lit, endsUses()[static_cast<std::size_t>(use)]);
        },
        [this, frames = framesOf(light), use](const std::optional<BalanceEnds>& found) {
            if (found)
                emit endsFound(frames, *found, use);
        });
}

void BaseMeasures::card(const Work& work, const std::vector<std::filesystem::path>& folders)
{
    m_card->run(
        [work, folders](const CancelToken&) -> std::optional<CardFound> {
            constexpr int kEdge = 1600;
            const std::vector<ColourCard> cards = cardsIn(folders);
            const Result<Picture> picture = cards.empty() ? fail("no card") : readReduced(work.path, kEdge, false);
            const auto seen = picture ? findCardOf(picture->image.view(), cards) : std::nullopt;
            return seen ? std::optional(CardFound{cards[seen->card], seen->found}) : std::nullopt;
        },
        [this, work](const std::optional<CardFound>& card) { emit cardFound(work.frame, card); });
}

void BaseMeasures::neutrals(std::int64_t frame, const Image& untouched, const Response& response)
{
    m_neutrals->run([untouched, response](const CancelToken&) { return findNeutrals(untouched.view(), response); },
                    [this, frame](const std::optional<FoundNeutrals>& found) { emit neutralsFound(frame, found); });
}

}  // namespace amber
