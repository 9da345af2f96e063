#include "core/colour/oklab.h"
#include "core/engine/program.h"

#include <algorithm>

namespace amber {
namespace {

LinearRgb colourAt(ImageView view, int x, int y)
{
    const float* p = view.row(y) + 3 * x;
    return {p[0], p[1], p[2]};
}

void put(MutableImageView view, int x, int y, const LinearRgb& c)
{
    float* p = view.row(y) + 3 * x;
    p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
}

/// Share of a step's strength at the places of a picture.
class PlaceWeights {
public:
    PlaceWeights(const RoleBinding& where, const RoleMasks* masks)
        : m_where(where), m_mask(masks && where.isBound() ? masks->find(where.role) : nullptr)
    {
    }
    /// False for a step that is bound to a role of which it is not known where it lies.
    bool areKnown() const { return !m_where.isBound() || m_mask; }
    double at(const Place& place) const
    {
        return m_mask ? m_where.base() + m_where.slope() * sampleAt(*m_mask, place) : 1;
    }

private:
    const RoleBinding& m_where;
    const Plane* m_mask;
};

/// One spatial step over a picture, in place.
template <class Kernel>
void runSpatial(const Kernel& kernel, const Step& step, MutableImageView picture, double pixelsPerDelivered,
                const PlaceWeights& weights)
{
    const auto prepared = kernel.prepare(picture, pixelsPerDelivered);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const LinearRgb in = colourAt(picture, x, y);
            const OkLab from = toOkLab(in);
            const Place place{x, y, picture.width, picture.height};
            OkLab to;
            if constexpr (requires { kernel.at(prepared.get(), place, in); })
                to = toOkLab(kernel.at(prepared.get(), place, in));
            else
                to = kernel.at(prepared.get(), place, from);
            const double s = step.strength * weightAt(step.guard, from) * weights.at(place);
            put(picture, x, y,
                toLinearRgb(
                    OkLab{from.L + s * (to.L - from.L), from.a + s * (to.a - from.a), from.b + s * (to.b - from.b)}));
        }
}

/// One step that works on colours alone, at the strength that each place has.
void runPointwise(Step step, MutableImageView picture, const PlaceWeights& weights)
{
    const double strength = step.strength;
    step.guard.where = {};
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            step.strength = strength * weights.at({x, y, picture.width, picture.height});
            put(picture, x, y, evaluate(step, colourAt(picture, x, y)));
        }
}

void run(const Step& step, MutableImageView picture, const RenderOptions& options, double pixelsPerDelivered)
{
    const RoleBinding& where = step.guard.where;
    const PlaceWeights weights(where, options.masks.get());
    if (isIdentity(step) || !weights.areKnown())
        return;
    std::visit(
        [&](const auto& parameters) {
            const auto kernel = kernelOf(parameters);
            if constexpr (SpatialKernel<std::decay_t<decltype(kernel)>>)
                return runSpatial(kernel, step, picture, pixelsPerDelivered, weights);
            runPointwise(step, picture, weights);
        },
        step.parameters);
}

double perDelivered(ImageView picture, const RenderOptions& options)
{
    return options.deliveredLongEdge > 0
               ? static_cast<double>(std::max(picture.width, picture.height)) / options.deliveredLongEdge
               : 1;
}

}  // namespace

void renderPlain(const Look& look, ImageView in, MutableImageView out, const RenderOptions& options)
{
    for (int y = 0; y < in.height; ++y)
        for (int x = 0; x < in.width; ++x)
            put(out, x, y, colourAt(in, x, y));
    for (const bool sharpening : {false, true})
        for (const Step& step : look.steps)
            if (std::holds_alternative<OutputSharpening>(step.parameters) == sharpening)
                run(step, out, options, perDelivered(in, options));
}

Image maskOf(const Step& step, ImageView in, const RenderOptions& options)
{
    std::shared_ptr<const void> prepared;
    const Plane* edges = nullptr;
    if (const auto* sharpening = std::get_if<OutputSharpening>(&step.parameters)) {
        prepared = OutputSharpeningKernel{*sharpening, true}.prepare(in, perDelivered(in, options));
        edges = &static_cast<const LightnessChange*>(prepared.get())->mask;
    }
    const PlaceWeights places(step.guard.where, options.masks.get());
    Image mask(in.width, in.height);
    for (int y = 0; y < in.height; ++y)
        for (int x = 0; x < in.width; ++x) {
            // Shown as equal steps on the tone axis.
            const double weight = !places.areKnown()
                                      ? 0
                                      : weightAt(step.guard, toOkLab(colourAt(in, x, y))) *
                                            (edges ? edges->row(y)[x] : 1) * places.at({x, y, in.width, in.height});
            put(mask.mutableView(), x, y,
                {weight * weight * weight, weight * weight * weight, weight * weight * weight});
        }
    return mask;
}

}  // namespace amber
