#include "app/library/look_menu.h"

#include <QActionGroup>
#include <QMenu>

namespace amber {
namespace {

/// The looks of the job, the chosen one marked, and none under `without` when that is said.
QMenu* addLooks(QMenu& menu, const char* name, const QString& title, Document& document, LookId chosen,
                const QString& without, const std::function<void(LookId)>& choose)
{
    QMenu* list = menu.addMenu(title);
    list->setObjectName(name);
    auto* group = new QActionGroup(list);
    const auto add = [&](const QString& words, LookId id) {
        QAction* action = list->addAction(words, list, [choose, id] { choose(id); });
        action->setCheckable(true);
        action->setChecked(id == chosen);
        group->addAction(action);
    };
    if (!without.isEmpty()) {
        add(without, 0);
        list->addSeparator();
    }
    for (const LookEntry& entry : document.looks().entries())
        add(text(entry.name), entry.id);
    return list;
}

}  // namespace

void fillLookMenu(QMenu& menu, Document& document, const std::vector<FrameId>& frames)
{
    menu.clear();
    const Job& job = document.job();
    if (!document.isOpen() || frames.empty())
        return;
    const bool areAlike = std::all_of(frames.begin(), frames.end(),
                                      [&](FrameId id) { return job.frame(id).look == job.frame(frames.front()).look; });
    const Frame* first = document.frame(frames.front());
    const QString whose = frames.size() > 1 ? QObject::tr("The %1 chosen frames").arg(frames.size())
                          : first           ? titleOf(*first)
                                            : QString();
    const int light = job.lightOf(frames.front());
    addLooks(menu, "lookOfFrames", whose, document, areAlike ? job.frame(frames.front()).look : -1,
             light < 0 ? QObject::tr("As all frames") : QObject::tr("As its light"),
             [&document, frames](LookId id) { document.chooseLook(frames, id); });
    if (light >= 0) {
        const Light& of = job.lights[static_cast<std::size_t>(light)];
        addLooks(menu, "lookOfLight", QObject::tr("Light %1 (%2)").arg(text(of.name)).arg(of.frames.size()), document,
                 of.look, QObject::tr("As all frames"),
                 [&document, light](LookId id) { document.chooseLookOfLight(light, id); });
    }
    addLooks(menu, "lookOfAll", QObject::tr("All frames that have none of their own"), document,
             document.looks().lookForAll(), {}, [&document](LookId id) { document.looks().setLookForAll(id); });
}

QString whereWords(const Document& document)
{
    const std::size_t all = document.frames().size(), here = document.looks().framesOfLook().size();
    return here == all ? QObject::tr("all") : QObject::tr("%1/%2").arg(here).arg(all);
}

}  // namespace amber
