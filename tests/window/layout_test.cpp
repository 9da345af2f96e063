// The layout by its geometry: nothing that is read is cut off or lies on something else, at every size of the window
// and in words longer than ours; panes are moved and remembered.
#include "app/instruments/instruments.h"
#include "app/theme/line_label.h"
#include "app/theme/panes.h"
#include "app/words/language.h"
#include "tests/window/window_support.h"

#include <QTranslator>
#include <gtest/gtest.h>

namespace amber::test {
namespace {

/// Every text a third longer, as other languages are, in letters that are no English word.
class LongerWords : public QTranslator {
public:
    QString translate(const char*, const char* source, const char*, int) const override
    {
        const QString text = QString::fromUtf8(source);
        const auto letters = std::count_if(text.begin(), text.end(), [](QChar c) { return c.isLetter(); });
        return letters < 2 ? text : text + QString(1 + static_cast<int>(letters) / 3, QChar(u'ü'));
    }
    bool isEmpty() const override { return false; }
};

constexpr int kRail = 86;

int widthOf(const QWidget& widget, const QString& words)
{
    return widget.fontMetrics().size(Qt::TextShowMnemonic, words).width();
}

/// What is wider or higher than the room it has; empty when all of it is seen.
QString cutWords(QWidget& widget)
{
    if (auto* label = qobject_cast<QLabel*>(&widget)) {
        if (dynamic_cast<LineLabel*>(label) || label->text().isEmpty() || label->textFormat() == Qt::RichText)
            return {};  // a line that ends in dots has all of it in its tip
        const bool fits = label->wordWrap() ? label->heightForWidth(label->width()) <= label->height() + 1
                                            : label->sizeHint().width() <= label->width() + 1;
        return fits ? QString() : label->text();
    }
    if (auto* button = qobject_cast<QAbstractButton*>(&widget)) {
        constexpr int kEdges = 4;
        const auto* tool = qobject_cast<QToolButton*>(button);
        if (button->text().isEmpty() ||
            (tool && tool->toolButtonStyle() == Qt::ToolButtonIconOnly && !tool->icon().isNull()))
            return {};
        const bool isBox = qobject_cast<QCheckBox*>(button) || qobject_cast<QRadioButton*>(button);
        const int needed = isBox ? button->sizeHint().width() : widthOf(widget, button->text()) + kEdges;
        return needed <= button->width() + 1 ? QString() : button->text();
    }
    if (auto* box = qobject_cast<QComboBox*>(&widget); box && !box->isEditable()) {
        QStyleOptionComboBox option;
        option.initFrom(box);
        const QRect room =
            box->style()->subControlRect(QStyle::CC_ComboBox, &option, QStyle::SC_ComboBoxEditField, box);
        const bool mayBeCut = box->toolTip().contains(box->currentText()) || box->property("elides").toBool();
        return mayBeCut || widthOf(*box, box->currentText()) <= room.width() + 2 ? QString() : box->currentText();
    }
    return {};
}

bool isRead(const QWidget& widget)
{
    return qobject_cast<const QLabel*>(&widget) || qobject_cast<const QAbstractButton*>(&widget) ||
           qobject_cast<const QComboBox*>(&widget) || qobject_cast<const QLineEdit*>(&widget) ||
           qobject_cast<const QAbstractSpinBox*>(&widget);
}

QStringList faultsOf(const QWidget& window)
{
    QStringList faults;
    for (QWidget* widget : window.findChildren<QWidget*>()) {
        if (!widget->isVisible() || widget->visibleRegion().isEmpty())
            continue;
        if (const QString cut = cutWords(*widget); !cut.isEmpty())
            faults << QStringLiteral("cut: %1 '%2' has %3 x %4, wants %5 x %6")
                          .arg(widget->objectName(), cut)
                          .arg(widget->width())
                          .arg(widget->height())
                          .arg(widget->sizeHint().width())
                          .arg(widget->sizeHint().height());
        if (!widget->layout())
            continue;
        QWidgetList beside;
        for (QObject* child : widget->children())
            if (auto* part = qobject_cast<QWidget*>(child); part && part->isVisible() && isRead(*part))
                beside << part;
        for (int i = 0; i < beside.size(); ++i)
            for (int k = i + 1; k < beside.size(); ++k)
                if (const QRect both = beside[i]->geometry() & beside[k]->geometry();
                    both.width() > 1 && both.height() > 1)
                    faults << QStringLiteral("overlap: %1 and %2 in %3")
                                  .arg(beside[i]->objectName(), beside[k]->objectName(), widget->objectName());
    }
    return faults;
}

/// What keeps the window from being so narrow.
std::string widest(const QWidget& window, int width)
{
    QStringList names;
    for (const QWidget* widget : window.findChildren<QWidget*>())
        if (widget->minimumSizeHint().width() > width - kRail)
            names << QStringLiteral("%1 %2").arg(widget->objectName()).arg(widget->minimumSizeHint().width());
    return names.join(", ").toStdString();
}

/// Of every place, at every size.
QStringList faultsAtEverySize(OpenWindow& app, bool fitsSmallScreens)
{
    QStringList faults;
    for (const QSize& size : {QSize(1280, 720), QSize(1920, 1080), QSize(3840, 2160)}) {
        app.window().resize(size);
        EXPECT_TRUE(!fitsSmallScreens || app.window().size() == size)
            << app.window().width() << " wide: " << widest(app.window(), size.width());
        for (int place = 0; place <= static_cast<int>(MainWindow::Place::Practice); ++place) {
            app.window().go(static_cast<MainWindow::Place>(place));
            if (!app.atRest())
                faults << "does not come to rest";
            if (fitsSmallScreens) {
                EXPECT_EQ(app.window().size(), size) << "place " << place << ": " << widest(app.window(), size.width());
            }
            for (const QString& fault : faultsOf(app.window()))
                faults << QStringLiteral("%1 x %2, place %3: %4")
                              .arg(size.width())
                              .arg(size.height())
                              .arg(place)
                              .arg(fault);
        }
    }
    faults.removeDuplicates();
    return faults;
}

/// Looks at every dialog as it opens, and closes it.
class DialogVisitor : public QObject {
public:
    DialogVisitor() { qApp->installEventFilter(this); }
    ~DialogVisitor() override { qApp->removeEventFilter(this); }
    bool eventFilter(QObject* object, QEvent* event) override
    {
        if (auto* dialog = qobject_cast<QDialog*>(object); dialog && event->type() == QEvent::Show)
            QTimer::singleShot(0, dialog, [this, dialog] { visit(*dialog); });
        return false;
    }
    const QSet<QString>& seen() const { return m_seen; }
    const QStringList& faults() const { return m_faults; }

private:
    void visit(QDialog& dialog)
    {
        // Those that choose a file are Qt's own.
        if (!qobject_cast<QFileDialog*>(&dialog)) {
            m_seen << dialog.objectName();
            EXPECT_LE(dialog.width(), 1280) << dialog.objectName().toStdString();
            EXPECT_LE(dialog.height(), 720) << dialog.objectName().toStdString();
            for (const QString& fault : faultsOf(dialog))
                m_faults << dialog.objectName() + QStringLiteral(": ") + fault;
        }
        dialog.reject();
    }
    QSet<QString> m_seen;
    QStringList m_faults;
};

/// Three dots in its words: it opens something to answer first.
bool asksFirst(const QString& words) { return words.contains(u'…'); }

bool opensASheet(const QString& action)
{
    static const QStringList kSheets{"shortcut-help", "shortcut-isItSo", "shortcut-screen", "shortcut-palette",
                                     "shortcut-settings"};
    return kSheets.contains(action);
}

void pressWhatAsks(OpenWindow& app)
{
    QStringList names;
    for (const auto* button : app.window().findChildren<QAbstractButton*>())
        if (button->isVisible() && button->isEnabled() && asksFirst(button->text()))
            names << button->objectName();
    for (const QString& name : names)
        if (auto* button = app.window().findChild<QAbstractButton*>(name); button && button->isVisible())
            button->click(), QCoreApplication::processEvents();
}

QStringList walkDialogs(OpenWindow& app, QSet<QString>& seen)
{
    const DialogVisitor visitor;
    for (int place = 0; place <= static_cast<int>(MainWindow::Place::Practice); ++place) {
        app.window().go(static_cast<MainWindow::Place>(place));
        EXPECT_TRUE(app.atRest());
        pressWhatAsks(app);
        for (QTabBar* tabs : app.window().findChildren<QTabBar*>())
            for (int tab = 0; tabs->isVisible() && tab < tabs->count(); ++tab)
                tabs->setCurrentIndex(tab), QCoreApplication::processEvents(), pressWhatAsks(app);
        for (QAction* action : app.window().findChildren<QAction*>())
            if (action->isEnabled() && action->isVisible() &&
                (asksFirst(action->text()) || opensASheet(action->objectName())))
                action->trigger(), QCoreApplication::processEvents();
    }
    EXPECT_TRUE(app.atRest());
    seen = visitor.seen();
    return visitor.faults();
}

void walkEverywhere(bool fitsSmallScreens = true)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead() && app.goToLook());
    app.document().looks().addStep(ToneCurve{});
    for (const QString& fault : faultsAtEverySize(app, fitsSmallScreens))
        ADD_FAILURE() << fault.toStdString();
    app.window().resize(1280, 720);
    QSet<QString> seen;
    for (const QString& fault : walkDialogs(app, seen))
        ADD_FAILURE() << fault.toStdString();
    std::printf("%lld dialogs: %s\n", static_cast<long long>(seen.size()),
                QStringList(seen.begin(), seen.end()).join(' ').toStdString().c_str());
    EXPECT_GE(seen.size(), 8);
}

TEST(Layout, NothingIsCutOrLiesOnSomethingElseAtAnySize) { walkEverywhere(); }

TEST(Layout, GermanHasRoomAtEverySize)
{
    const Language german(QLocale("de_DE"));
    walkEverywhere();
}

TEST(Layout, WordsAThirdLongerHaveRoom)
{
    LongerWords longer;
    QCoreApplication::installTranslator(&longer);
    walkEverywhere(false);
    QCoreApplication::removeTranslator(&longer);
}

/// Run by itself, with the two screens of tests/window/two_screens.json.
TEST(TwoScreens, OnTheFinerOneThePictureIsAsFineAndNothingIsCut)
{
    const QList<QScreen*> screens = QGuiApplication::screens();
    if (screens.size() < 2)
        GTEST_SKIP() << "there is one screen";
    ASSERT_EQ(screens[1]->devicePixelRatio(), 2 * screens[0]->devicePixelRatio());
    const TemporaryFolder folder;
    // Larger than the wall on either screen.
    for (const char* name : {"one.png", "two.png"}) {
        QImage picture(2700, 1800, QImage::Format_RGB32);
        for (int y = 0; y < picture.height(); ++y)
            for (int x = 0; x < picture.width(); ++x)
                picture.setPixel(x, y, qRgb(x % 256, y % 256, (x + y) / 2 % 256));
        ASSERT_TRUE(picture.save(QString::fromStdString((folder / name).string())));
    }
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead() && app.goToLook() && app.atRest());
    const QSize coarse = app.picture().image().size();
    ASSERT_FALSE(coarse.isEmpty());
    const auto moveTo = [&](QScreen* screen) {
        app.window().windowHandle()->setScreen(screen);
        app.window().move(screen->geometry().topLeft());
        app.window().resize(1280, 720);
    };
    moveTo(screens[0]);
    ASSERT_TRUE(app.atRest());
    const QSize before = app.picture().image().size();
    moveTo(screens[1]);
    EXPECT_TRUE(waitUntil([&] { return app.picture().image().width() >= 2 * before.width() - 2; }))
        << app.picture().image().width() << " of " << before.width();
    EXPECT_EQ(app.picture().devicePixelRatioF(), 2);
    EXPECT_TRUE(app.atRest());
    for (const QString& fault : faultsOf(app.window()))
        ADD_FAILURE() << fault.toStdString();
    moveTo(screens[0]);
    EXPECT_TRUE(waitUntil([&] { return app.picture().image().size() == before; }));
}

TEST(Layout, PanesAreMovedByMouseAndKeysAndRemembered)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    int wide = 0;
    {
        OpenWindow app(folder.path());
        ASSERT_TRUE(app.thumbnailsRead() && app.goToLook());
        auto& panes = app.find<Panes>("lookPanes");
        QWidget& side = app.find("instruments");
        EXPECT_EQ(side.width(), Instruments::kPane.usual);
        QWidget* border = panes.handle(1);
        const QPoint at = border->rect().center();
        QTest::mousePress(border, Qt::LeftButton, {}, at);
        QTest::mouseMove(border, at - QPoint(60, 0));
        QTest::mouseRelease(border, Qt::LeftButton, {}, at - QPoint(60, 0));
        EXPECT_GT(side.width(), Instruments::kPane.usual + 30);
        border->setFocus();
        const int before = side.width();
        QTest::keyClick(border, Qt::Key_Left);
        EXPECT_EQ(side.width(), before + 16);
        wide = side.width();
    }
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead() && app.goToLook());
    QWidget& side = app.find("instruments");
    EXPECT_EQ(side.width(), wide);
    // A wider window gives its room to the picture.
    app.window().resize(1700, 900);
    QCoreApplication::processEvents();
    EXPECT_EQ(side.width(), wide);
    auto& panes = app.find<Panes>("lookPanes");
    panes.handle(1)->setFocus();
    QTest::keyClick(panes.handle(1), Qt::Key_Home);
    EXPECT_EQ(side.width(), Instruments::kPane.usual);
}

}  // namespace
}  // namespace amber::test
