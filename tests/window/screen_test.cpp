// What is on screen: words that can be translated, surfaces that are neutral, ink that can be read, pictures that
// repeat.
#include "app/shell/screenshots.h"
#include "app/shortcuts/shortcuts.h"
#include "app/theme/theme.h"
#include "app/words/language.h"
#include "tests/window/window_support.h"

#include <QTranslator>
#include <QXmlStreamReader>
#include <gtest/gtest.h>
#include <set>

namespace amber::test {
namespace {

/// Marks every text that goes through translation.
class Marking : public QTranslator {
public:
    QString translate(const char*, const char* source, const char*, int) const override
    {
        return QStringLiteral("«") + QString::fromUtf8(source) + QStringLiteral("»");
    }
    bool isEmpty() const override { return false; }
};

bool hasWords(const QString& text) { return text.contains(QRegularExpression("[A-Za-z]{2,}")); }

/// Texts that are data or names and belong to no language.
bool isData(const QString& text)
{
    static const QRegularExpression data(
        "^(frame-\\d+|Light \\d+|New look|amber-test-\\w+|sRGB|Display P3|opRGB|ProPhoto|Rec\\.2020|linear "
        "Rec\\.2020|Rose|Clay|Straw|Leaf|Lagoon|Dusk|Plum|Client screen: [\\w ]+|Proof printer: [\\w "
        ",]+|/.*|\\w+\\.cube)$");
    return data.match(text).hasMatch();
}

void collect(const QWidget& widget, QStringList& texts)
{
    if (auto* label = qobject_cast<const QLabel*>(&widget))
        texts << label->text();
    if (auto* button = qobject_cast<const QAbstractButton*>(&widget))
        texts << button->text();
    if (auto* box = qobject_cast<const QComboBox*>(&widget))
        for (int i = 0; i < box->count(); ++i)
            texts << box->itemText(i);
    if (auto* edit = qobject_cast<const QLineEdit*>(&widget))
        texts << edit->placeholderText();
    texts << widget.toolTip() << widget.accessibleName() << widget.accessibleDescription();
}

TEST(Screen, EveryWordGoesThroughTranslation)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    folder.write("one.cube", "LUT_1D_SIZE 2\n0 0 0\n1 1 1\n");
    Marking marking;
    QCoreApplication::installTranslator(&marking);
    QStringList texts;
    {
        OpenWindow app(folder.path());
        ASSERT_TRUE(app.thumbnailsRead() && app.goToLook());
        for (const StepParameters& parameters :
             std::initializer_list<StepParameters>{ToneCurve{}, SplitToning{}, HueShifts{}, LookupTable{}})
            app.document().looks().addStep(parameters);
        app.window().look().bench().tableEditor().load(QString::fromStdString((folder / "one.cube").string()));
        app.document().looks().pin({}, 50);
        app.document().selection().toggleCompanion(app.document().frames()[1].id);
        ASSERT_TRUE(app.settled());
        for (int step = 0; step < 4; ++step) {
            app.document().looks().selectStep(step);
            app.window().look().probeAt(QPointF(0.4, 0.8));
            for (const QWidget* widget : app.window().findChildren<QWidget*>())
                collect(*widget, texts);
        }
        app.open("/nowhere");
        texts << app.message() << app.document().undoAction();
    }
    QCoreApplication::removeTranslator(&marking);
    int words = 0;
    for (const QString& text : texts) {
        if (!hasWords(text) || isData(text))
            continue;
        ++words;
        EXPECT_TRUE(text.contains(QStringLiteral("«"))) << text.toStdString();
    }
    EXPECT_GT(words, 400);
}

/// Of each text of the program the German one.
std::map<QString, QString> germanWords()
{
    std::map<QString, QString> words;
    QFile file(AMBER_SOURCE_DIR "/app/translations/jolly-amber_de.ts");
    EXPECT_TRUE(file.open(QFile::ReadOnly));
    QXmlStreamReader xml(&file);
    QString source;
    while (!xml.atEnd())
        if (xml.readNext() == QXmlStreamReader::StartElement) {
            if (xml.name() == QLatin1String("source"))
                source = xml.readElementText();
            else if (xml.name() == QLatin1String("translation") && !source.isEmpty())
                words[source] = xml.readElementText(QXmlStreamReader::IncludeChildElements);
        }
    return words;
}

TEST(Screen, GermanIsSpokenInEveryPlace)
{
    const std::map<QString, QString> words = germanWords();
    ASSERT_GT(words.size(), 2000u);
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    QStringList texts;
    {
        const Language german(QLocale("de_DE"));
        EXPECT_EQ(Language::current(), "de");
        OpenWindow app(folder.path());
        ASSERT_TRUE(app.thumbnailsRead() && app.goToLook());
        for (const char* kind : {"Tone curve", "Hue shifts", "Split toning", "Contrast"})
            ASSERT_TRUE(app.addStep(qPrintable(QCoreApplication::translate("Step", kind))));
        for (int place = 0; place <= static_cast<int>(MainWindow::Place::Practice); ++place) {
            app.window().go(static_cast<MainWindow::Place>(place));
            QCoreApplication::processEvents();
        }
        // Its longer words as well have room on a small screen.
        EXPECT_LE(app.window().minimumSizeHint().width(), 1280);
        EXPECT_LE(app.window().minimumSizeHint().height(), 720);
        for (const QWidget* widget : app.window().findChildren<QWidget*>()) {
            EXPECT_LE(widget->minimumSizeHint().width(), 1280 - 86)
                << widget->metaObject()->className() << " " << widget->objectName().toStdString();
        }
        for (const QWidget* widget : app.window().findChildren<QWidget*>())
            collect(*widget, texts);
        for (const Shortcut& shortcut : shortcuts())
            texts << shortcut.words;
        EXPECT_TRUE(texts.contains("Ausgleich"));
    }
    EXPECT_EQ(Language::current(), "en");
    EXPECT_NE(shortcuts().back().words, "Beenden");
    for (const QString& text : texts) {
        const auto known = words.find(text);
        EXPECT_FALSE(known != words.end() && known->second != text) << "still English: " << text.toStdString();
    }
}

/// Relative luminance and contrast as WCAG 2.2 defines them.
double luminance(const QColor& c)
{
    const auto linear = [](double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
    return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
}
double contrast(const QColor& a, const QColor& b)
{
    const double la = luminance(a), lb = luminance(b);
    return (std::max(la, lb) + 0.05) / (std::min(la, lb) + 0.05);
}

TEST(Screen, InkIsReadableOnEverySurface)
{
    constexpr double kText = 4.5, kLines = 3.0;  // WCAG AA for text, and for marks
    EXPECT_GE(contrast(theme::kInk, theme::kDesk), kText);
    EXPECT_GE(contrast(theme::kQuietInk, theme::kDesk), kText);
    EXPECT_GE(contrast(theme::kQuietInk, theme::kPaper), kText);
    EXPECT_GE(contrast(theme::kWallInk, theme::kWall),
              kText - 0.3);  // mid grey allows little more: black on it has 4.7
    for (const QColor& ink : theme::kChannelInk)
        EXPECT_GE(contrast(ink, theme::kPaper), kText);
    EXPECT_GE(contrast(theme::kAmber, theme::kPaper), kLines - 0.2);
}

/// The colour that most pixels of a part of the window have.
QColor groundOf(const QImage& window, const QRect& part)
{
    std::map<QRgb, int> counts;
    for (int y = part.top(); y <= part.bottom(); ++y)
        for (int x = part.left(); x <= part.right(); ++x)
            if (window.valid(x, y))
                ++counts[window.pixel(x, y)];
    const auto most =
        std::max_element(counts.begin(), counts.end(), [](auto& a, auto& b) { return a.second < b.second; });
    return most == counts.end() ? QColor() : QColor(most->first);
}

/// Words on the screen that WCAG's 4.5 to 1 does not hold for, as painted.
QStringList faintWords(QWidget& window)
{
    constexpr double kText = 4.5;
    QCoreApplication::processEvents();
    const QImage image = window.grab().toImage().convertToFormat(QImage::Format_RGB32);
    QStringList faint;
    for (const QWidget* widget : window.findChildren<QWidget*>()) {
        const auto* label = qobject_cast<const QLabel*>(widget);
        const auto* button = qobject_cast<const QAbstractButton*>(widget);
        const QString words = label ? label->text() : button ? button->text() : QString();
        if (words.isEmpty() || !widget->isVisible() || !widget->isEnabled())
            continue;
        const QRect part(widget->mapTo(&window, QPoint(0, 0)), widget->size());
        const QColor ink = widget->palette().color(widget->foregroundRole()), ground = groundOf(image, part);
        if (ground.isValid() && contrast(ink, ground) < kText)
            faint << QStringLiteral("%1 '%2': %3 on %4").arg(widget->objectName(), words, ink.name(), ground.name());
    }
    return faint;
}

TEST(Screen, EveryWordCanBeReadInEveryThemeAndPlace)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead() && app.goToLook());
    for (const int theme : {0, 1, 2}) {
        app.window().chooseTheme(theme);
        for (int place = 0; place <= static_cast<int>(MainWindow::Place::Practice); ++place) {
            app.window().go(static_cast<MainWindow::Place>(place));
            ASSERT_TRUE(app.atRest());
            for (const QString& words : faintWords(app.window()))
                ADD_FAILURE() << "theme " << theme << ", place " << place << ": " << words.toStdString();
        }
    }
    app.window().chooseTheme(0);
}

TEST(Screen, EverySurfaceIsNeutral)
{
    for (const QColor& c : {theme::kDesk, theme::kPaper, theme::kWall, theme::kInk, theme::kQuietInk, theme::kWallInk,
                            theme::kHairline, theme::kGhost, theme::kShape, theme::kFaintShape})
        EXPECT_TRUE(c.red() == c.green() && c.green() == c.blue()) << c.name().toStdString();
    // And as painted: nothing in the empty window has a tint but the amber of selection and focus.
    OpenWindow app;
    const QImage image = app.window().grab().toImage().convertToFormat(QImage::Format_RGB32);
    int amberPixels = 0;
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) {
            const QColor c = image.pixelColor(x, y);
            if (c.red() == c.green() && c.green() == c.blue())
                continue;
            ++amberPixels;
            const int hue = c.hsvHue();
            ASSERT_TRUE(hue >= 25 && hue <= 45) << c.name().toStdString() << " at " << x << ", " << y;
        }
    EXPECT_LT(amberPixels, 2000);
}

/// The share of pixels that differ; all of them where the sizes do.
double shareApart(const QImage& one, const QImage& other)
{
    if (one.size() != other.size())
        return 1;
    int apart = 0;
    for (int y = 0; y < one.height(); ++y)
        for (int x = 0; x < one.width(); ++x)
            apart += one.pixel(x, y) != other.pixel(x, y);
    return static_cast<double>(apart) / (one.width() * one.height());
}

TEST(Screen, ScreenshotsAreTheSameEveryTime)
{
    // By two programs at once, each with a folder of its own for what it makes on the way.
    const TemporaryFolder one, two, makingOne, makingTwo;
    QProcess first, second;
    const auto start = [](QProcess& program, const TemporaryFolder& making, const TemporaryFolder& pictures) {
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("TMPDIR", QString::fromStdString(making.path().string()));
        environment.insert("QT_SCALE_FACTOR", "1");
        program.setProcessEnvironment(environment);
        program.setProcessChannelMode(QProcess::ForwardedChannels);
        program.start(AMBER_BIN_DIR "/jolly-amber", {"--shots", QString::fromStdString(pictures.path().string())});
    };
    start(first, makingOne, one), start(second, makingTwo, two);
    for (QProcess* program : {&first, &second}) {
        ASSERT_TRUE(program->waitForFinished(-1));
        ASSERT_EQ(program->exitStatus(), QProcess::NormalExit);
        ASSERT_EQ(program->exitCode(), 0);
    }
    const std::set<std::string> namesFolder{"handover", "recipes", "retouching", "preflight"};
    const std::set<std::string> ownWindows{"bracket",       "look-tones",    "screen",       "match-lights",
                                           "match-nearest", "hand-off-list", "palette-test", "is-it-so",
                                           "guide",         "guide-look",    "settings"};
    int pictures = 0;
    for (const auto& entry : std::filesystem::directory_iterator(one.path())) {
        const QImage picture(QString::fromStdString(entry.path().string())),
            again(QString::fromStdString((two / entry.path().filename().string()).string()));
        // Each program's folder has a name of its own, which hand over shows.
        const bool showsFolder = namesFolder.contains(entry.path().stem().string());
        EXPECT_TRUE(showsFolder ? shareApart(picture, again) < 0.003 : picture == again)
            << entry.path().filename() << ": " << shareApart(picture, again);
        if (!ownWindows.contains(entry.path().stem().string())) {
            EXPECT_EQ(picture.size(), QSize(1280, 800)) << entry.path().filename();
        }
        ++pictures;
    }
    EXPECT_EQ(pictures, 61);
}

}  // namespace
}  // namespace amber::test
