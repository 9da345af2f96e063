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

std::optional<LinearRgb> askColour(QWidget* parent, const std::function<void(const QString&)>& failed)
{
    const auto typed = askLine(parent, {"colourDialog",
                                        QObject::tr("A colour"),
                                        QObject::tr("#RRGGBB in sRGB, lab L a b, lch L C h, or oklch L C h"),
                                        {},
                                        QObject::tr("Take")});
    if (!typed || typed->isEmpty())
        return std::nullopt;
    const auto colour = colourFromText(typed->toStdString());
    if (!colour)
        return failed(QString::fromStdString(colour.error().message())), std::nullopt;
    return *colour;
}

void addColourActions(QMenu& menu, StepEditor& editor, const std::function<void(const LinearRgb&)>& take)
{
    menu.addAction(QObject::tr("From the picture: the next click"), &editor,
                   [&editor, take] { editor.pickNext(take); });
    menu.addAction(QObject::tr("From another picture…"), &editor, [&editor, take] {
        const QString path = QFileDialog::getOpenFileName(&editor, QObject::tr("A picture with the colour"));
        if (path.isEmpty() || !editor.queue)
            return;
        PictureDialog dialog(*editor.queue, path, &editor);
        if (dialog.exec() == QDialog::Accepted && dialog.colour)
            take(*dialog.colour);
    });
    menu.addAction(QObject::tr("Typed…"), &editor, [&editor, take] {
        if (const auto colour = askColour(&editor, [&editor](const QString& why) { editor.say(why); }))
            take(*colour);
    });
}

}  // namespace amber
