// Three roles over the demo's forty frames of the first four lights, in the real window, by a person who looks at what
// is offered: skies found unseen, one frame of each scene stroked, all found again, the sure ones confirmed together
// and looked over, the others one by one. Prints how many actions it took, how long the program worked, and how many
// masks are wrong.
//
//   amber_areas_run
#include "app/places/balance/balance_place.h"
#include "app/shell/application.h"
#include "tests/window/areas_window.h"

#include <cstdio>
#include <set>

namespace amber::test {
namespace {

constexpr double kGood = 0.93, kWrong = 0.9, kLeast = 0.004;

class Person : public AreasWindow {
public:
    void TestBody() override {}
    int run();

private:
    void openBalanced();
    void role(const QString& name, const std::string& part, bool isUnseen);
    void markScenes();
    void lookAtOffers();
    void strokeUntil(double good, const std::string& frame);
    double overlapOf(const std::string& frame);
    FoundMask truth(const std::string& frame) const { return truthOf(frame, m_part); }
    bool isThere(const std::string& frame) const { return test::shareOf(truth(frame)) >= kLeast; }
    bool done()
    {
        return waitUntil([&] { return !place().task().isRunning() && !place().hand().isBusy(); }, 600000);
    }
    void act(const char* button)
    {
        ++m_actions;
        click(button);
    }
    std::vector<std::string> m_frames;
    std::string m_part;
    int m_actions = 0, m_masks = 0, m_poor = 0, m_nowhere = 0;
    double m_worked = 0;
};

void Person::openBalanced()
{
    for (const std::string& name : demoFrames())
        if (name.rfind("shop-front", 0) != 0 && name.rfind("test-shot", 0) != 0)
            m_frames.push_back(name);
    open(m_frames);
    app->key(Qt::Key_2, Qt::ControlModifier);
    BalancePlace& balance = app->window().balance();
    (void)waitUntil([&] { return app->find("balanceSolve").isEnabled(); });
    click("balanceSolve");
    (void)waitUntil([&] { return !balance.task().isRunning(); }, 600000);
    click("balanceTake");
    app->key(Qt::Key_3, Qt::ControlModifier);
    (void)waitUntil([&] { return place().hand().isReady(); });
}

double Person::overlapOf(const std::string& frame)
{
    const Area* area = areaOf(frame);
    if (!area || area->parts.empty())
        return 0;
    const auto* found = std::get_if<Found>(&area->parts.back().shape);
    return found ? test::overlapOf(*unpacked(*found->mask), truth(frame)) : 0;
}

void Person::strokeUntil(double good, const std::string& frame)
{
    constexpr int kMost = 6;
    (void)takeFrame(frame);
    for (int i = 0; i < kMost && overlapOf(frame) < good; ++i) {
        ++m_actions;
        const double overlapBefore = overlapOf(frame);
        const Area* before = areaOf(frame);
        const bool isFirst = !before || before->state == Area::State::NotHere || before->parts.empty();
        const Area was = isFirst ? Area{} : *before;
        if (isFirst) {
            draw(strokeOver(truth(frame)));
        } else {
            const Wrong wrong = worstOf(*unpacked(*std::get<Found>(was.parts.back().shape).mask), truth(frame));
            draw(strokeOver(wrong.where), wrong.isMissing ? Qt::NoModifier : Qt::ShiftModifier);
        }
        (void)waitUntil([&] { return areaOf(frame) && !(*areaOf(frame) == was); }, 5000);
        (void)done();
        // One that made it worse is taken back; the same hand would draw it again.
        if (overlapOf(frame) < overlapBefore) {
            ++m_actions;
            app->document().undo();
            (void)done();
            break;
        }
    }
}

void Person::markScenes()
{
    std::set<std::string> scenes;
    for (const std::string& frame : m_frames)
        if (isThere(frame) && scenes.insert(sceneOf(frame)).second)
            strokeUntil(kGood, frame);
}

/// Offers: those that hold are confirmed, those that nearly hold set right, the others refused.
void Person::lookAtOffers()
{
    act("areaConfirmSure");
    // What was confirmed together is seen on the tiles.
    for (const std::string& frame : m_frames)
        if (const Area* area = areaOf(frame); area && area->counts() && isThere(frame) && overlapOf(frame) < kWrong)
            strokeUntil(kWrong, frame);
    for (const std::string& frame : m_frames) {
        const Area* area = areaOf(frame);
        if (!area || area->state != Area::State::Proposed)
            continue;
        (void)takeFrame(frame);
        if (overlapOf(frame) >= kWrong)
            act("areaConfirm");
        else if (isThere(frame))
            strokeUntil(kWrong, frame);
        else
            act("areaRefuse");
    }
    for (const std::string& frame : m_frames)
        if (!areaOf(frame) && isThere(frame))
            strokeUntil(kWrong, frame);
    act("areaRestNotHere");
}

void Person::role(const QString& name, const std::string& part, bool isUnseen)
{
    m_part = part;
    ++m_actions;
    makeRole(name);
    if (!isUnseen)
        markScenes();
    QElapsedTimer clock;
    clock.start();
    act("areaFindAll");
    (void)done();
    m_worked += static_cast<double>(clock.elapsed()) / 1000;
    lookAtOffers();
    for (const std::string& frame : m_frames) {
        const Area* area = areaOf(frame);
        const bool isMarked = area && area->counts() && area->state != Area::State::NotHere;
        m_masks += isThere(frame);
        m_poor += isThere(frame) && (!isMarked || overlapOf(frame) < kWrong);
        m_nowhere += !isThere(frame) && isMarked;
    }
    std::printf("%-8s %d actions so far, %d masks, %d below 0.9, %d where nothing is, %.0f s of searching\n",
                qPrintable(name), m_actions, m_masks, m_poor, m_nowhere, m_worked);
}

int Person::run()
{
    openBalanced();
    role("sky", "sky", true);
    role("hands", "skin", false);
    role("linen", "cloth", false);
    return 0;
}

}  // namespace
}  // namespace amber::test

int main(int argc, char** argv)
{
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM"))
        qputenv("QT_QPA_PLATFORM", "offscreen");
    testing::InitGoogleTest(&argc, argv);
    amber::Application application(argc, argv);
    return amber::test::Person().run();
}
