// The way that light takes to the screen the window is on: one for everything the window shows.
#pragma once

#include "core/colour/types.h"
#include "core/display/view_transform.h"

#include <QColor>
#include <QImage>
#include <QObject>
#include <mutex>

namespace amber {

class ScreenView : public QObject {
    Q_OBJECT

public:
    /// Of the running application.
    static ScreenView& instance();
    /// Thread safe.
    std::shared_ptr<const ViewTransform> view() const;
    /// `outside`: colours that cannot be shown are marked on the frame in hand.
    void set(std::shared_ptr<const ViewTransform> view, bool outside);
    bool marksOutside() const { return m_outside; }
    /// Words for the captions of pictures that are not shown as they are: a proof, a client's screen. Else empty.
    QString words() const { return m_words; }
    void setWords(const QString& words) { m_words = words; }

signals:
    /// Everything that shows pictures makes them anew.
    void changed();

private:
    ScreenView() = default;
    mutable std::mutex m_mutex;
    std::shared_ptr<const ViewTransform> m_view = ViewTransform::srgb();
    bool m_outside = false;
    QString m_words;
};

/// A picture in working-space light as the screen shows it.
QImage toScreen(ImageView linear, const ViewTransform& view);
QImage toScreen(ImageView linear);
/// One colour likewise.
QColor screenColour(const LinearRgb& c);
/// A picture in sRGB codes likewise: thumbnails are kept so.
QImage onScreen(const QImage& srgb);
/// Chequers what the view cannot show.
void layOverOutside(ImageView linear, const ViewTransform& view, QImage& picture);

}  // namespace amber
