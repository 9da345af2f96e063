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

/// One spatial step over a picture, in place.
template <class Kernel>
void runSpatial(const Kernel& kernel, const Step& step, MutableImageView picture, double pixelsPerDelivered)
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
            const double s = step.strength * weightAt(step.guard, from);
            put(picture, x, y,
                toLinearRgb(
                    OkLab{from.L + s * (to.L - from.L), from.a + s * (to.a - from.a), from.b + s * (to.b - from.b)}));
        }
}

void run(const Step& step, MutableImageView picture, double pixelsPerDelivered)
{
    if (isIdentity(step))
        return;
    std::visit(
        [&](const auto& parameters) {
            const auto kernel = kernelOf(parameters);
            if constexpr (SpatialKernel<std::decay_t<decltype(kernel)>>)
                return runSpatial(kernel, step, picture, pixelsPerDelivered);
            for (int y = 0; y < picture.height; ++y)
                for (int x = 0; x < picture.width; ++x)
                    put(picture, x, y, evaluate(step, colourAt(picture, x, y)));
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
                run(step, out, perDelivered(in, options));
}

Image maskOf(const Step& step, ImageView in, const RenderOptions& options)
{
    std::shared_ptr<const void> prepared;
    const Plane* edges = nullptr;
    if (const auto* sharpening = std::get_if<OutputSharpening>(&step.parameters)) {
        prepared = OutputSharpeningKernel{*sharpening, true}.prepare(in, perDelivered(in, options));
        edges = &static_cast<const LightnessChange*>(prepared.get())->mask;
    }
    Image mask(in.width, in.height);
    for (int y = 0; y < in.height; ++y)
        for (int x = 0; x < in.width; ++x) {
            // Shown as equal steps on the tone axis.
            const double weight = weightAt(step.guard, toOkLab(colourAt(in, x, y))) * (edges ? edges->row(y)[x] : 1);
            put(mask.mutableView(), x, y,
                {weight * weight * weight, weight * weight * weight, weight * weight * weight});
        }
    return mask;
}

}  // namespace amber
