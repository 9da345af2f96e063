// The menus of the Shoot place: lights, and sets of frames.
#include "app/places/shoot/shoot_place.h"
#include "app/theme/controls.h"
#include "core/job/edits.h"

#include <QtWidgets>

namespace amber {

void ShootPlace::moveToGroup(const std::vector<std::int64_t>& frames, int group, const QString& newName)
{
    m_document.commit(withFramesInLight(m_document.job(), frames, group, newName.toStdString()),
                      group < 0 ? tr("Light group made") : tr("Frames moved to another light"));
}

QString ShootPlace::askLightName(const QString& start)
{
    return askLine(this, {"groupNameDialog", tr("Light group"), tr("Name"), start}).value_or(QString());
}

void ShootPlace::fillGroupMenu(QMenu& menu)
{
    menu.clear();
    const auto frames = chosenFrames();
    const int current = frames.empty() ? -1 : m_document.job().lightOf(frames.front());
    if (!frames.empty())
        addFrameActions(menu, frames, current);
    if (current >= 0)
        addLightActions(menu, frames.front(), current);
    menu.addSeparator();
    menu.addAction(tr("Propose anew from time, exposure, camera and light"), this,
                   [this] { m_model->proposeLights(); });
}

void ShootPlace::askNewSet(const std::vector<FrameId>& frames)
{
    const auto name = askLine(this, {"setNameDialog", tr("New set"), tr("What do these frames show?")});
    if (!name || name->isEmpty())
        return;
    if (m_document.job().setOf(name->toStdString()))
        emit m_document.failed(tr("There is a set named %1 already.").arg(*name));
    else
        m_document.commit(withSet(m_document.job(), name->toStdString(), frames), tr("Set %1 made").arg(*name));
}

void ShootPlace::renameSet(const std::string& name)
{
    const auto fresh = askLine(this, {"setNameDialog", tr("Set"), tr("Name"), text(name)});
    if (!fresh || fresh->isEmpty() || fresh->toStdString() == name)
        return;
    if (m_document.job().setOf(fresh->toStdString()))
        emit m_document.failed(tr("There is a set named %1 already.").arg(*fresh));
    else
        m_document.looks().renameSet(name, fresh->toStdString());
}

void ShootPlace::addSetActions(QMenu& menu, const FrameSet& set, const std::vector<FrameId>& frames)
{
    const std::string name = set.name;
    QMenu* own = menu.addMenu(tr("%1 (%2)").arg(text(name)).arg(set.frames.size()));
    const auto change = [this, name](std::vector<FrameId> now, const QString& action) {
        m_document.commit(withSet(m_document.job(), name, now), action.arg(text(name)));
    };
    const auto with = [&] {
        std::vector<FrameId> all = set.frames;
        for (const FrameId frame : frames)
            if (std::find(all.begin(), all.end(), frame) == all.end())
                all.push_back(frame);
        return all;
    }();
    std::vector<FrameId> without = set.frames;
    std::erase_if(without, [&](FrameId f) { return std::find(frames.begin(), frames.end(), f) != frames.end(); });
    own->addAction(tr("Add the chosen frames"), this, [=] { change(with, tr("Frames added to %1")); })
        ->setEnabled(with.size() > set.frames.size());
    own->addAction(tr("Take the chosen frames out"), this, [=] { change(without, tr("Frames taken out of %1")); })
        ->setEnabled(without.size() < set.frames.size());
    own->addAction(tr("Choose its frames"), this, [this, all = set.frames] { chooseFrames(all); });
    own->addAction(tr("Name…"), this, [this, name] { renameSet(name); });
    own->addAction(tr("Part it"), this, [this, name] {
        m_document.commit(withoutSet(m_document.job(), name), tr("Set %1 parted").arg(text(name)));
    });
}

void ShootPlace::chooseFrames(const std::vector<FrameId>& frames)
{
    QItemSelection chosen;
    for (const FrameId frame : frames)
        if (const QModelIndex index = m_filter->mapFromSource(m_model->index(std::max(0, m_model->rowOf(frame))));
            index.isValid())
            chosen.select(index, index);
    m_sheet->selectionModel()->select(chosen, QItemSelectionModel::ClearAndSelect);
}

void ShootPlace::fillSetMenu(QMenu& menu)
{
    menu.clear();
    const auto frames = chosenFrames();
    menu.addAction(frames.size() == 1 ? tr("A set of the chosen frame…")
                                      : tr("A set of the %1 chosen frames…").arg(frames.size()),
                   this, [this, frames] { askNewSet(frames); })
        ->setEnabled(!frames.empty());
    menu.addSeparator();
    for (const FrameSet& set : m_document.job().sets)
        if (set.ofLight == 0)
            addSetActions(menu, set, frames);
}

void ShootPlace::addFrameActions(QMenu& menu, const std::vector<FrameId>& frames, int current)
{
    const auto& lights = m_document.job().lights;
    addHeading(menu, frames.size() == 1 ? tr("The chosen frame") : tr("The %1 chosen frames").arg(frames.size()));
    menu.addAction(tr("To a group of their own…"), this, [this, frames] {
        const QString name = askLightName(tr("Light %1").arg(m_document.job().lights.size() + 1));
        if (!name.isEmpty())
            moveToGroup(frames, -1, name);
    });
    for (std::size_t i = 0; i < lights.size(); ++i)
        if (static_cast<int>(i) != current)
            menu.addAction(tr("To %1").arg(text(lights[i].name)), this,
                           [this, frames, i] { moveToGroup(frames, static_cast<int>(i)); });
}

void ShootPlace::addLightActions(QMenu& menu, FrameId frame, int current)
{
    const auto& lights = m_document.job().lights;
    const auto light = static_cast<std::size_t>(current);
    addHeading(menu, text(lights[light].name));
    menu.addAction(tr("Name…"), this, [this, light] {
        auto all = m_document.job().lights;
        const QString name = askLightName(text(all[light].name));
        if (name.isEmpty())
            return;
        all[light].name = name.toStdString();
        m_document.setLights(all, tr("Light group named"));
    });
    menu.addAction(tr("The chosen frame stands for it"), this, [this, light, frame] {
        auto all = m_document.job().lights;
        all[light].lead = frame;
        m_document.setLights(all, tr("Lead of a light chosen"));
    });
    for (std::size_t i = 0; i < lights.size(); ++i)
        if (static_cast<int>(i) != current)
            menu.addAction(tr("Join with %1").arg(text(lights[i].name)), this, [this, light, i] {
                moveToGroup(m_document.job().lights[light].frames, static_cast<int>(i));
            });
}

}  // namespace amber
