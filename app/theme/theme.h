// The print room: neutral paper desks, a mid-grey wall, near-black ink, hairlines, amber as a marker's tick. Every
// surface is R = G = B.
#pragma once

#include "core/colour/types.h"

#include <QColor>
#include <QFont>
#include <QIcon>
#include <QString>

class QApplication;
class QFocusEvent;
class QPainter;
class QRectF;

namespace amber::theme {

/// The colours of the theme in use; what is given here is the print room.
inline QColor kDesk{0xE2, 0xE2, 0xE2};     // L* 90: desks and instruments
inline QColor kPaper{0xEE, 0xEE, 0xEE};    // L* 94: fields and plots
inline QColor kRaised{0xFA, 0xFA, 0xFA};   // what is chosen or under the pointer
inline QColor kPressed{0xD2, 0xD2, 0xD2};  // selected rows, pressed buttons
inline QColor kWall{0x77, 0x77, 0x77};     // L* 50: behind the pictures (ISO 3664 in spirit); setSurround changes it
inline QColor kInk{0x1C, 0x1C, 0x1C};
inline QColor kQuietInk{0x52, 0x52, 0x52};  // 6.2 : 1 on the desk
inline QColor kWallInk{0x0C, 0x0C, 0x0C};   // 4.7 : 1 on the wall
inline QColor kHairline{0xB2, 0xB2, 0xB2};
inline QColor kFrame{0x9C, 0x9C, 0x9C};  // edges of fields and buttons
inline QColor kGhost{0x96, 0x96, 0x96};
inline QColor kShape{0x5A, 0x5A, 0x5A};       // filled distributions
inline QColor kFaintShape{0xDA, 0xDA, 0xDA};  // distributions behind an editor
inline QColor kAmber{0xC9, 0x7A, 0x0A};       // selection and focus only
/// Lines of the red, green and blue channel; always with a letter beside them.
inline QColor kChannelInk[3] = {{0x9E, 0x2A, 0x2A}, {0x1E, 0x6B, 0x33}, {0x2B, 0x4A, 0xA6}};

/// The print room is light; dim has desks of L* 27; high contrast is black on white with strong lines.
enum class Theme { PrintRoom, Dim, HighContrast };
/// Changes the colours, the palette and the style sheet of the running application.
void choose(Theme theme);
Theme current();
/// The lightness L* of the wall behind the pictures, 10..96, and its ink with it.
void setSurround(int lightness);
int surround();
/// Blind mode: numbers are not shown, so that only the eye judges.
void setBlind(bool on);
bool isBlind();
/// A number for the screen, as the locale writes it, with a true minus sign.
QString decimal(double value, int decimals);
/// A measured number for the screen: a dot in blind mode.
QString number(double value, int decimals);

/// Sets palette, font (Inter, tabular figures where the platform can) and style sheet.
void install(QApplication& application);
QFont font(int pixels, bool strong = false);
QIcon icon(const QString& name);
/// True when focus came by the keyboard and so must be seen; a click needs no mark, least of all round a picture.
bool isVisibleFocus(const QFocusEvent& event);
/// The focus mark every custom-painted control uses: an amber line inside the edge.
void paintFocus(QPainter& painter, const QRectF& area);

}  // namespace amber::theme
