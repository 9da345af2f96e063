#include "app/theme/theme.h"

#include "core/colour/difference.h"
#include "core/colour/gamut.h"

#include <QApplication>
#include <QFile>
#include <QFocusEvent>
#include <QPainter>
#include <QStyleFactory>
#include <QSvgRenderer>
#include <QWidget>

/// The icons live in a static library, so they are asked for by name (outside any namespace, as the macro wants).
static void initialiseIcons() { Q_INIT_RESOURCE(theme); }

namespace amber::theme {
namespace {

const char* kSheet = R"(
* { font-family: "Inter"; font-size: 13px; }
QWidget { color: #1C1C1C; }
QMainWindow, QDialog, QStackedWidget, QWidget#desk { background: #E2E2E2; }
QLabel { background: transparent; }
QLabel[quiet="true"] { color: #525252; }
QLabel[strong="true"] { font-weight: 600; }
QLabel[onWall="true"] { color: #0C0C0C; }
QCheckBox[onWall="true"] { color: #0C0C0C; }
QListWidget#tiles { background: transparent; color: #0C0C0C; }
QListWidget#tiles::item { padding: 2px; }
QListWidget#tiles::item:selected { background: #FAFAFA; color: #1C1C1C; border-bottom: 3px solid #C97A0A; }
QPushButton, QToolButton, QComboBox, QDoubleSpinBox, QSpinBox, QLineEdit { background: #EEEEEE;
    border: 1px solid #9C9C9C; border-radius: 2px; padding: 3px 8px; min-height: 18px; }
QDoubleSpinBox { padding: 3px 4px; }
QToolButton#stepIsItSo { padding: 3px 0; }
QToolButton#stepIsItSo:focus { padding: 2px 0; }
QWidget#lookHeader QToolButton, QWidget#lookHeader QPushButton { padding: 3px 4px; }
QWidget#lookHeader QToolButton:focus, QWidget#lookHeader QPushButton:focus { padding: 2px 3px; }
QWidget#lookHeader QToolButton#viewMenuButton { padding-right: 14px; }
QPushButton:hover, QToolButton:hover, QComboBox:hover { background: #F6F6F6; }
QPushButton:pressed, QToolButton:pressed { background: #D4D4D4; }
QPushButton:disabled, QToolButton:disabled, QComboBox:disabled, QDoubleSpinBox:disabled, QSpinBox:disabled,
    QCheckBox:disabled, QLineEdit:disabled { color: #8A8A8A; border-color: #BDBDBD; }
QPushButton:focus, QToolButton:focus, QComboBox:focus, QDoubleSpinBox:focus, QSpinBox:focus,
    QLineEdit:focus { border: 2px solid #C97A0A; padding: 2px 7px; }
QDoubleSpinBox:focus { padding: 2px 3px; }
QPushButton:checked, QToolButton:checked { background: #FAFAFA; border-bottom: 3px solid #C97A0A; }
QComboBox::drop-down { border: none; width: 18px; }
QComboBox::down-arrow { image: url(:/icons/down.svg); width: 10px; height: 10px; }
QComboBox QAbstractItemView { background: #EEEEEE; selection-background-color: #D2D2D2; selection-color: #1C1C1C;
    border: 1px solid #9C9C9C; }
QCheckBox { spacing: 6px; background: transparent; }
QCheckBox::indicator { width: 14px; height: 14px; border: 1px solid #6A6A6A; background: #EEEEEE; }
QCheckBox::indicator:checked { image: url(:/icons/tick.svg); }
QCheckBox:focus, QRadioButton:focus { outline: none; border-bottom: 2px solid #C97A0A; }
QWidget#cellWall, QWidget#findingWall, QWidget#screensWall, QWidget#sheetWall { background: #777777; }
QTableView#ladder { padding: 0 8px 0 11px; }
QTableView#routeTable QTableCornerButton::section { background: #E2E2E2; border: none;
    border-bottom: 1px solid #B2B2B2; }
QTableView#routeTable QHeaderView::section:vertical { background: #EEEEEE; border: none; color: #1C1C1C;
    padding-left: 14px; }
QListWidget#guidePages { background: #EEEEEE; padding: 14px 0; }
QListWidget#guidePages::item { padding: 7px 12px; border-left: 4px solid transparent; }
QListWidget#guidePages::item:selected { background: #FAFAFA; color: #1C1C1C; border-left: 4px solid #C97A0A; }
QListWidget#settingsLibrary { background: #EEEEEE; }
QListWidget#settingsLibrary::item { padding: 4px 6px; border: none; }
QTableWidget#practiceScores { font-size: 13px; }
QTableView#consistencyTable::item:selected { background: #FAFAFA; color: #1C1C1C; border: 2px solid #C97A0A; }
QListWidget#outliers { background: #EEEEEE; padding: 2px 10px; } QListWidget#outliers::item { padding: 2px 2px; }
QListView#contactSheet { background: #777777; padding: 10px; }
QListView, QTableView { background: #E2E2E2; border: none; outline: none; }
QTableView { background: #EEEEEE; gridline-color: #D0D0D0; selection-background-color: #D2D2D2;
    selection-color: #1C1C1C; }
QHeaderView::section { background: #E2E2E2; border: none; border-bottom: 1px solid #B2B2B2; padding: 4px 3px;
    color: #525252; }
QProgressBar { border: 1px solid #9C9C9C; background: #EEEEEE; text-align: center; }
QProgressBar::chunk { background: #A8A8A8; }
QScrollBar:vertical { background: #E2E2E2; width: 10px; }
QScrollBar::handle:vertical { background: #ABABAB; min-height: 30px; }
QScrollBar:horizontal { background: #E2E2E2; height: 10px; }
QScrollBar::handle:horizontal { background: #ABABAB; min-width: 30px; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
QToolTip { background: #FAFAFA; color: #1C1C1C; border: 1px solid #6A6A6A; padding: 4px; }
QMenu { background: #EEEEEE; border: 1px solid #9C9C9C; }
QMenu::item { padding: 5px 18px; }
QMenu::item:selected { background: #D2D2D2; }
QMenu::separator { height: 1px; background: #B2B2B2; margin: 4px 10px; }
QToolButton#railButton { border: 2px solid transparent; border-left: 4px solid transparent; border-radius: 0;
    background: transparent; padding: 3px 4px; text-align: left; }
QToolButton#railButton:checked { border-left: 4px solid #C97A0A; background: #EEEEEE; font-weight: 600; }
QToolButton#railButton:focus { border: 2px solid #C97A0A; padding-left: 6px; }
QToolButton#railButton:checked:focus { border-left: 4px solid #C97A0A; padding-left: 4px; }
QToolButton#screenButton, QToolButton#nextButton, QToolButton#settingsButton, QToolButton#guideButton {
    font-size: 11px; padding: 3px 0; min-width: 78px; max-width: 78px; }
QToolButton#settingsButton, QToolButton#guideButton { padding: 1px 0; }
QToolButton#screenButton:focus, QToolButton#nextButton:focus { padding: 2px 0; }
QToolButton#settingsButton:focus, QToolButton#guideButton:focus { padding: 0; }
QWidget[messageBar="true"] { background: #FAFAFA; border-bottom: 1px solid #B2B2B2; }
)";

struct Colours {
    QRgb desk, paper, raised, pressed, ink, quietInk, hairline, frame, ghost, shape, faintShape, amber, channels[3];
};
constexpr Colours kThemes[] = {
    {0xE2E2E2,
     0xEEEEEE,
     0xFAFAFA,
     0xD2D2D2,
     0x1C1C1C,
     0x525252,
     0xB2B2B2,
     0x9C9C9C,
     0x969696,
     0x5A5A5A,
     0xDADADA,
     0xC97A0A,
     {0x9E2A2A, 0x1E6B33, 0x2B4AA6}},
    {0x404040,
     0x4A4A4A,
     0x585858,
     0x5E5E5E,
     0xECECEC,
     0xC4C4C4,
     0x6C6C6C,
     0x7E7E7E,
     0x8C8C8C,
     0xB4B4B4,
     0x5A5A5A,
     0xE8A33C,
     {0xF6B0AA, 0x93DBA6, 0xB9C9FA}},
    {0xFFFFFF,
     0xFFFFFF,
     0xF0F0F0,
     0xCCCCCC,
     0x000000,
     0x1A1A1A,
     0x4A4A4A,
     0x000000,
     0x5E5E5E,
     0x303030,
     0xC8C8C8,
     0x8F4F00,
     {0x8A0000, 0x004F16, 0x00248A}},
};
Theme g_theme = Theme::PrintRoom;
int g_surround = 50;
bool g_blind = false;

QString sheet()
{
    QString text = kSheet;
    const std::pair<const char*, QColor> words[] = {
        {"#777777", kWall},   {"#1C1C1C", kInk},      {"#E2E2E2", kDesk},     {"#EEEEEE", kPaper},
        {"#F6F6F6", kRaised}, {"#FAFAFA", kRaised},   {"#525252", kQuietInk}, {"#0C0C0C", kWallInk},
        {"#9C9C9C", kFrame},  {"#D4D4D4", kPressed},  {"#D2D2D2", kPressed},  {"#D0D0D0", kFaintShape},
        {"#8A8A8A", kGhost},  {"#BDBDBD", kHairline}, {"#B2B2B2", kHairline}, {"#A8A8A8", kGhost},
        {"#ABABAB", kGhost},  {"#6A6A6A", kQuietInk}, {"#C97A0A", kAmber}};
    // In two passes, so that no colour put in is taken for one to replace.
    int i = 0;
    for (const auto& [from, to] : words)
        text.replace(from, QStringLiteral("@%1@").arg(i++));
    i = 0;
    for (const auto& [from, to] : words)
        text.replace(QStringLiteral("@%1@").arg(i++), to.name());
    if (g_theme == Theme::Dim)
        text.replace("tick.svg", "tick-light.svg").replace("down.svg", "down-light.svg");
    if (g_blind)
        text += "QDoubleSpinBox { color: transparent; selection-color: transparent; }";
    return text;
}

void apply(QApplication& application)
{
    QPalette palette;
    palette.setColor(QPalette::Window, kDesk);
    palette.setColor(QPalette::Base, kPaper);
    palette.setColor(QPalette::AlternateBase, kDesk);
    palette.setColor(QPalette::Text, kInk);
    palette.setColor(QPalette::WindowText, kInk);
    palette.setColor(QPalette::Button, kPaper);
    palette.setColor(QPalette::ButtonText, kInk);
    palette.setColor(QPalette::Highlight, kPressed);
    palette.setColor(QPalette::HighlightedText, kInk);
    palette.setColor(QPalette::PlaceholderText, kQuietInk);
    application.setPalette(palette);
    application.setStyleSheet(sheet());
    for (QWidget* widget : application.allWidgets())
        widget->update();
}

}  // namespace

void install(QApplication& application)
{
    initialiseIcons();
    application.setStyle(QStyleFactory::create("Fusion"));
    application.setFont(font(13));
    apply(application);
}

void choose(Theme theme)
{
    g_theme = theme;
    const Colours& c = kThemes[static_cast<std::size_t>(theme)];
    kDesk = c.desk, kPaper = c.paper, kRaised = c.raised, kPressed = c.pressed, kInk = c.ink, kQuietInk = c.quietInk,
    kHairline = c.hairline, kFrame = c.frame;
    kGhost = c.ghost, kShape = c.shape, kFaintShape = c.faintShape, kAmber = c.amber;
    std::copy(std::begin(c.channels), std::end(c.channels), kChannelInk);
    setSurround(g_surround);
}

Theme current() { return g_theme; }

void setSurround(int lightness)
{
    g_surround = std::clamp(lightness, 10, 96);
    const int code = static_cast<int>(encodeComponent(RgbSpace::Srgb, luminanceOfStar(g_surround)) * 255 + 0.5);
    kWall = QColor(code, code, code);
    kWallInk = g_surround < 48 ? QColor(0xF4, 0xF4, 0xF4) : QColor(0x0C, 0x0C, 0x0C);
    apply(*qApp);
}

int surround() { return g_surround; }

void setBlind(bool on)
{
    g_blind = on;
    apply(*qApp);
}

bool isBlind() { return g_blind; }

QString decimal(double value, int decimals)
{
    // What is rounded to nothing has no sign.
    const double rounded = std::abs(value) < 0.5 * std::pow(10.0, -decimals) ? 0.0 : value;
    QLocale locale;
    locale.setNumberOptions(QLocale::OmitGroupSeparator);
    return locale.toString(rounded, 'f', decimals).replace('-', QStringLiteral("\u2212"));
}

QString number(double value, int decimals) { return g_blind ? QStringLiteral("·") : decimal(value, decimals); }

QFont font(int pixels, bool strong)
{
    QFont f("Inter");
    f.setPixelSize(pixels);
    f.setWeight(strong ? QFont::DemiBold : QFont::Normal);
    return f;
}

QIcon icon(const QString& name)
{
    QFile file(":/icons/" + name + ".svg");
    if (!file.open(QIODevice::ReadOnly))
        return {};
    QByteArray drawing = file.readAll();
    drawing.replace("#1C1C1C", kInk.name().toLatin1());
    QPixmap pixmap(96, 96);
    pixmap.fill(Qt::transparent);
    QPainter painter(&pixmap);
    QSvgRenderer(drawing).render(&painter);
    return QIcon(pixmap);
}

bool isVisibleFocus(const QFocusEvent& event)
{
    return event.reason() == Qt::TabFocusReason || event.reason() == Qt::BacktabFocusReason ||
           event.reason() == Qt::ShortcutFocusReason;
}

void paintFocus(QPainter& painter, const QRectF& area)
{
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing, false);
    painter.setPen(QPen(kAmber, 2));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(area.adjusted(1, 1, -1, -1));
    painter.restore();
}

}  // namespace amber::theme
