#include "core/analysis/overlay.h"

#include "core/base/parallel.h"
#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr double kPlain = 0.02, kThrough = 0.35;

OkLab labAt(ImageView image, int x, int y)
{
    const float* p = image.row(y) + 3 * x;
    return toOkLab(LinearRgb{p[0], p[1], p[2]});
}

template <class Weight>
void layOver(const LinearRgb& colour, MutableImageView shown, Weight&& weightAt)
{
    const OkLab over = toOkLab(colour);
    inParallel(shown.height, [&](int y) {
        for (int x = 0; x < shown.width; ++x) {
            const double weight = std::clamp(weightAt(x, y), 0.0, 1.0);
            const OkLab lab = labAt(shown, x, y);
            const LinearRgb c =
                toLinearRgb(OkLab{lab.L + weight * (1 - kThrough) * (over.L - lab.L), lab.a + weight * (over.a - lab.a),
                                  lab.b + weight * (over.b - lab.b)});
            float* to = shown.row(y) + 3 * x;
            to[0] = static_cast<float>(c.r), to[1] = static_cast<float>(c.g), to[2] = static_cast<float>(c.b);
        }
    });
}

Image entering(const Look& look, std::size_t step, ImageView picture, const RenderOptions& options)
{
    Image in(picture.width, picture.height);
    if (const auto plan = RenderPlan::compile(look, step))
        render(*plan, picture, in.mutableView(), {}, options);
    return in;
}

}  // namespace

void layOverStep(const Look& look, std::size_t index, const LinearRgb& colour, ImageView picture,
                 MutableImageView shown, const RenderOptions& options)
{
    if (index >= look.steps.size())
        return;
    const Step& step = look.steps[index];
    const Image in = entering(look, index, picture, options);
    if (!step.guard.isOpen() || step.guard.where.isBound() ||
        std::holds_alternative<OutputSharpening>(step.parameters)) {
        const Image mask = maskOf(step, in.view(), options);
        return layOver(colour, shown, [&](int x, int y) { return static_cast<double>(mask.view().row(y)[3 * x]); });
    }
    Look one;
    one.steps.push_back(step);
    Image out(in.width(), in.height());
    if (const auto plan = RenderPlan::compile(one))
        render(*plan, in.view(), out.mutableView(), {}, options);
    layOver(colour, shown, [&](int x, int y) {
        const OkLab a = labAt(in.view(), x, y), b = labAt(out.view(), x, y);
        return std::hypot(b.L - a.L, b.a - a.a, b.b - a.b) / kPlain;
    });
}

void layOverFamily(const Look& look, std::size_t index, std::size_t family, const LinearRgb& colour, ImageView picture,
                   MutableImageView shown, const RenderOptions& options)
{
    const auto* shifts = index < look.steps.size() ? std::get_if<HueShifts>(&look.steps[index].parameters) : nullptr;
    if (!shifts || family >= shifts->families.size() + 3)
        return;
    const Image in = entering(look, index, picture, options);
    layOver(colour, shown, [&](int x, int y) { return weightsAt(*shifts, labAt(in.view(), x, y))[family]; });
}

void equaliseBrightness(ImageView like, MutableImageView picture)
{
    const auto mean = [](ImageView image) {
        double sum = 0;
        for (int y = 0; y < image.height; y += 2)
            for (int x = 0; x < image.width; x += 2)
                sum += labAt(image, x, y).L;
        return sum / (((image.height + 1) / 2) * ((image.width + 1) / 2));
    };
    const double wanted = mean(like), now = mean(picture);
    if (now <= 0)
        return;
    const auto gain = static_cast<float>(std::pow(wanted / now, 3));
    for (int y = 0; y < picture.height; ++y)
        for (int i = 0; i < 3 * picture.width; ++i)
            picture.row(y)[i] *= gain;
}

}  // namespace amber
