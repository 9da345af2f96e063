#include "core/match/through_look.h"

#include "core/engine/render_plan.h"

namespace amber {

Image asRow(const std::vector<LinearRgb>& colours)
{
    Image image(static_cast<int>(colours.size()), 1);
    for (std::size_t i = 0; i < colours.size(); ++i) {
        float* p = image.mutableView().data + 3 * i;
        p[0] = static_cast<float>(colours[i].r), p[1] = static_cast<float>(colours[i].g),
        p[2] = static_cast<float>(colours[i].b);
    }
    return image;
}

std::vector<LinearRgb> through(const Look& look, const Image& colours)
{
    Image out = colours;
    if (const auto plan = RenderPlan::compile(look))
        render(*plan, colours.view(), out.mutableView());
    std::vector<LinearRgb> result(static_cast<std::size_t>(out.width()));
    for (std::size_t i = 0; i < result.size(); ++i) {
        const float* p = out.view().data + 3 * i;
        result[i] = {p[0], p[1], p[2]};
    }
    return result;
}

std::vector<LinearRgb> through(const Look& look, const std::vector<LinearRgb>& colours)
{
    return through(look, asRow(colours));
}

}  // namespace amber
