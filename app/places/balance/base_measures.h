// What is measured of a frame's file in the background when the artist asks: lens, lean, fringes, noise, falloff, the
// ends of a whole light.
#pragma once

#include "app/render/render_queue.h"
#include "core/balance/colour_card.h"
#include "core/balance/white_estimates.h"
#include "core/frame/upright.h"
#include "core/optics/falloff.h"
#include "core/optics/fringes.h"
#include "core/optics/lens_file.h"
#include "core/optics/noise.h"

#include <QObject>

namespace amber {

class BaseMeasures : public QObject {
    Q_OBJECT

public:
    BaseMeasures(RenderQueue& queue, QObject* parent);

    /// A frame as it is worked on.
    struct Work {
        std::int64_t frame = 0;
        std::filesystem::path path;
        FrameBalance balance;
        Response response;
        Framing framing = {};  ///< what of it counts
    };
    /// `folders`: lens files of one's own.
    void findLens(const Work& work, const std::vector<std::filesystem::path>& folders);
    void upright(const Work& work);
    void fringes(const Work& work);
    void noise(const Work& work);
    /// Over those of `all` that have the lens of `inHand`, by its name and focal length; over the whole `light` when
    /// its file names none.
    void falloff(const Work& inHand, const std::vector<Work>& all, const std::vector<Work>& light);
    /// What the strengths of `from` ask for on the other frames of `all`, by sensitivity.
    void noiseBySensitivity(const std::vector<Work>& from, const std::vector<Work>& all);
    void ends(const std::vector<Work>& light, int use);
    /// Looks for the cards that the files in these folders describe.
    void card(const Work& work, const std::vector<std::filesystem::path>& folders);
    void neutrals(std::int64_t frame, const Image& untouched, const Response& response);
    void drop();
    bool isBusy() const { return m_slot->isBusy() || m_neutrals->isBusy() || m_card->isBusy(); }

    struct CardFound {
        ColourCard card;
        FoundCard found;
    };
    struct NoiseFound {
        Noise noise;
        double decibels = 0, edgesKept = 1;  ///< at full strength
    };

signals:
    void lensFound(std::int64_t frame, const std::optional<FoundLens>& lens);
    void uprightFound(std::int64_t frame, const Upright& upright);
    void fringesFound(std::int64_t frame, const Fringes& fringes);
    void noiseFound(std::int64_t frame, const NoiseFound& noise);
    void falloffFound(const std::vector<std::int64_t>& frames, const std::optional<MeasuredFalloff>& falloff);
    void strengthsFound(const std::map<std::int64_t, double>& strengths);
    void endsFound(const std::vector<std::int64_t>& frames, const BalanceEnds& ends, int use);
    void cardFound(std::int64_t frame, const std::optional<CardFound>& card);
    void neutralsFound(std::int64_t frame, const std::optional<FoundNeutrals>& neutrals);
    void failed(const QString& why);

private:
    template <class Value, class Measure, class Show>
    void onFile(const Work& work, Measure measure, Show show);

    RenderSlot *m_slot, *m_neutrals, *m_card;
};

}  // namespace amber
