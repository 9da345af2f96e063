#include "app/bench/colour_actions.h"

#include "app/theme/controls.h"
#include "app/wall/picture_view.h"
#include "core/colour/typed_colour.h"
#include "core/image/read.h"
#include "core/measure/key_colour.h"

#include <QtWidgets>

namespace amber {
namespace {

/// Any picture, to be clicked on.
class PictureDialog final : public QDialog {
public:
    PictureDialog(RenderQueue& queue, const QString& path, QWidget* parent)
        : QDialog(parent), m_view(new PictureView(this)),
          m_reading(new RenderSlot(queue, RenderQueue::Priority::InHand, this))
    {
        setObjectName("pictureDialog");
        setWindowTitle(QObject::tr("A colour of %1").arg(QFileInfo(path).fileName()));
        resize(900, 640);
        auto* layout = new QVBoxLayout(this);
        layout->addWidget(m_view, 1);
        auto* hint = new QLabel(QObject::tr("Click on the colour, or drag over a patch of it."), this);
        hint->setProperty("quiet", true);
        layout->addWidget(hint);
        m_view->setObjectName("pictureToPick");
        m_view->setInteractive(true);
        m_view->setMarking(true);
        m_view->setMessage(QObject::tr("Reading…"));
        connect(m_view, &PictureView::marked, this, [this](QRectF place) {
            const Region region = place.isEmpty() ? pointPlace(place.x(), place.y(), m_image.width(), m_image.height())
                                                  : Region{place.left(), place.top(), place.right(), place.bottom()};
            if (!m_image.isEmpty())
                colour = meanOf(m_image.view(), region), accept();
        });
        constexpr int kEdge = 1400;
        m_reading->run([path](const CancelToken&) { return readReduced(path.toStdString(), kEdge, false); },
                       [this](Result<Picture> picture) {
                           if (!picture)
                               return m_view->setMessage(QString::fromStdString(picture.error().message()));
                           m_image = std::move(picture->image);
                           m_view->setMessage({});
                           m_view->setImages(1, toScreen(m_image.view()), {});
                       });
    }
    std::optional<LinearRgb> colour;

private:
    PictureView* m_view;
    RenderSlot* m_reading;
    Image m_image;
};

}  // namespace

std::optional<LinearRgb> askOtherPicture(RenderQueue& queue, QWidget* parent)
{
    const QString path = QFileDialog::getOpenFileName(parent, QObject::tr("A picture with the colour"));
    if (path.isEmpty())
        return std::nullopt;
    PictureDialog dialog(queue, path, parent);
    return dialog.exec() == QDialog::Accepted ? dialog.colour : std::nullopt;
}

/// Asks for a typed colour; nothing when it was left or is none, which is said.
static std::optional<LinearRgb> askTyped(StepEditor& editor)
{
    const auto typed = askLine(&editor, {"colourDialog",
                                         QObject::tr("A colour"),
                                         QObject::tr("#RRGGBB in sRGB, lab L a b, lch L C h, or oklch L C h"),
                                         {},
                                         QObject::tr("Take")});
    if (!typed || typed->isEmpty())
        return std::nullopt;
    const auto colour = colourFromText(typed->toStdString());
    if (!colour)
        return editor.say(QString::fromStdString(colour.error().message())), std::nullopt;
    return *colour;
}

void addColourActions(QMenu& menu, StepEditor& editor, const std::function<void(const LinearRgb&)>& take)
{
    menu.addAction(QObject::tr("From the picture: the next click"), &editor,
                   [&editor, take] { editor.pickNext([take](const Probe& probe) { take(probe.entering); }); });
    menu.addAction(QObject::tr("From another picture…"), &editor, [&editor, take] {
        if (const auto colour = askOtherPicture(*editor.queue, &editor))
            take(*colour);
    });
    menu.addAction(QObject::tr("Typed…"), &editor, [&editor, take] {
        if (const auto colour = askTyped(editor))
            take(*colour);
    });
}

}  // namespace amber
