#include "app/render/finished.h"

#include "app/display/screen_view.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"

namespace amber {

Image finished(const Proxy& untouched, const FrameMade& made)
{
    Image picture = balancedPicture(untouched.image, made.balance, made.response);
    if (const auto plan = RenderPlan::compile(made.look))
        render(*plan, picture.view(), picture.mutableView(), {},
               {RenderOptions::Stage::All, std::max(untouched.info.width, untouched.info.height), 0, 0,
                masksOf(made.areas, *plan, picture.view())});
    return picture;
}

QImage onScreen(const Image& picture, QSize space)
{
    if (picture.width() <= space.width() && picture.height() <= space.height())
        return toScreen(picture.view());
    return toScreen(reducedToFit(picture.view(), space.width(), space.height()).view());
}

}  // namespace amber
