#include "core/job/job_tables.h"
#include "core/job/kept_texts.h"
#include "core/job/table_rows.h"

#include <algorithm>
#include <array>

namespace amber {
namespace {

constexpr std::array<const char*, 5> kHeldNames{"nothing", "pictures", "frame", "pair", "table"};

HeldReference::Kind heldKindFrom(const std::string& name)
{
    const auto found = std::find(kHeldNames.begin(), kHeldNames.end(), name);
    if (found == kHeldNames.end())
        throw std::runtime_error("a kind of reference was expected, not " + name);
    return static_cast<HeldReference::Kind>(found - kHeldNames.begin());
}

void readHand(const JobFile& file, Desk& desk)
{
    forRows(file, "SELECT frame, look, step, surround, companions_chosen, watched, check_use FROM desk", [&](Row& row) {
        desk.frame = row.whole(), desk.look = row.whole(), desk.step = row.small(), desk.surround = row.small();
        if (row.flag())
            desk.companions.emplace();
        desk.watched = row.text(), desk.use = row.text();
    });
    if (desk.companions)
        forRows(file, "SELECT frame FROM companion ORDER BY position",
                [&](Row& row) { desk.companions->push_back(row.whole()); });
}

void readAsides(const JobFile& file, Desk& desk)
{
    forRows(file, "SELECT frame, look, revision, left_at FROM aside ORDER BY position", [&](Row& row) {
        Aside a;
        a.frame = row.whole(), a.look = row.whole(), a.revision = row.whole(), a.leftAt = row.whole();
        desk.asides.push_back(a);
    });
}

void readTimes(const JobFile& file, Desk& desk)
{
    forRows(file, "SELECT balance_minutes, look_minutes, proof_minutes, hours_per_day FROM time_plan", [&](Row& row) {
        for (double& minutes : desk.plan.minutesPerFrame)
            minutes = row.real();
        desk.plan.hoursPerDay = row.real();
    });
    forRows(file, "SELECT frame, stage, seconds FROM stage_time", [&](Row& row) {
        StageTimes& times = desk.spent[row.whole()];
        const auto stage = static_cast<std::size_t>(row.whole());
        times.at(stage) = row.real();
    });
}

void readDelivery(const JobFile& file, Desk& desk)
{
    forRows(file, "SELECT format, space, quality, long_edge, ratio, folder FROM delivery", [&](Row& row) {
        DeliveryChoices& d = desk.delivery;
        d.format = row.text(), d.space = row.text(), d.quality = row.small(), d.longEdge = row.small();
        d.ratio = row.real(), d.folder = row.text();
    });
}

void readHandOver(const JobFile& file, Desk& desk)
{
    forRows(file, "SELECT json FROM hand_over", [&](Row& row) { desk.handOver = handOverFromText(row.text()); });
}

void readHeld(const JobFile& file, Desk& desk)
{
    forRows(file, "SELECT kind, frame, with_table FROM held_reference", [&](Row& row) {
        desk.held.kind = heldKindFrom(row.text()), desk.held.frame = row.whole(), desk.held.withTable = row.flag();
    });
    forRows(file, "SELECT path FROM held_path ORDER BY position",
            [&](Row& row) { desk.held.paths.push_back(row.text()); });
}

void writeHand(JobFile& file, const Desk& d)
{
    file.run("INSERT OR REPLACE INTO desk VALUES (1, ?, ?, ?, ?, ?, ?, ?)", d.frame, d.look, d.step, d.surround,
             int(d.companions.has_value()), d.watched, d.use);
    file.run("DELETE FROM companion");
    const auto companions = d.companions.value_or(std::vector<FrameId>{});
    for (std::size_t i = 0; i < companions.size(); ++i)
        file.run("INSERT INTO companion VALUES (?, ?)", static_cast<int>(i), companions[i]);
}

void writeAsides(JobFile& file, const std::vector<Aside>& asides)
{
    file.run("DELETE FROM aside");
    for (std::size_t i = 0; i < asides.size(); ++i)
        file.run("INSERT INTO aside VALUES (?, ?, ?, ?, ?)", static_cast<int>(i), asides[i].frame, asides[i].look,
                 asides[i].revision, asides[i].leftAt);
}

void writeTimes(JobFile& file, const std::map<FrameId, StageTimes>& before, const std::map<FrameId, StageTimes>& after)
{
    for (const auto& [frame, times] : after)
        if (const auto old = before.find(frame); old == before.end() || old->second != times)
            for (std::size_t stage = 0; stage < times.size(); ++stage)
                file.run("INSERT OR REPLACE INTO stage_time VALUES (?, ?, ?)", frame, static_cast<int>(stage),
                         times[stage]);
    for (const auto& [frame, times] : before)
        if (after.count(frame) == 0)
            file.run("DELETE FROM stage_time WHERE frame = ?", frame);
}

void writeHeld(JobFile& file, const HeldReference& held)
{
    file.run("INSERT OR REPLACE INTO held_reference VALUES (1, ?, ?, ?)",
             kHeldNames[static_cast<std::size_t>(held.kind)], held.frame, int(held.withTable));
    file.run("DELETE FROM held_path");
    for (std::size_t i = 0; i < held.paths.size(); ++i)
        file.run("INSERT INTO held_path VALUES (?, ?)", static_cast<int>(i), held.paths[i]);
}

struct DeskPart {
    const char* name;
    std::vector<const char*> tables;
    void (*read)(const JobFile&, Desk&);
};

const std::vector<DeskPart>& deskParts()
{
    static const std::vector<DeskPart> kParts{{"desk", {"desk", "companion"}, readHand},
                                              {"second looks", {"aside"}, readAsides},
                                              {"time plan", {"time_plan", "stage_time"}, readTimes},
                                              {"delivery", {"delivery"}, readDelivery},
                                              {"recipes", {"hand_over"}, readHandOver},
                                              {"reference", {"held_reference", "held_path"}, readHeld},
                                              {"route", {"route"}, readRoute}};
    return kParts;
}

bool isSameHand(const Desk& a, const Desk& b)
{
    return a.frame == b.frame && a.look == b.look && a.step == b.step && a.surround == b.surround &&
           a.companions == b.companions && a.watched == b.watched && a.use == b.use;
}

}  // namespace

Desk readDesk(const JobFile& file, std::vector<Unreadable>& unreadable)
{
    Desk desk;
    for (const DeskPart& part : deskParts()) {
        Desk with = desk;
        try {
            part.read(file, with);
            desk = std::move(with);
        } catch (const SQLite::Exception&) {
            throw;
        } catch (const std::exception& error) {
            unreadable.push_back({part.name, {}, error.what(), true});
        }
    }
    return desk;
}

bool isOfTheDesk(const std::string& name)
{
    const auto isIt = [&](const DeskPart& part) { return name == part.name; };
    return std::any_of(deskParts().begin(), deskParts().end(), isIt);
}

void writeDesk(JobFile& file, const Desk& before, const Desk& after, const std::vector<Unreadable>& unreadable)
{
    for (const Unreadable& u : unreadable)
        for (const DeskPart& part : deskParts())
            if (u.isDamaged && u.part == part.name)
                setAside(file, part.name, part.tables);
    if (!isSameHand(before, after))
        writeHand(file, after);
    if (before.asides != after.asides)
        writeAsides(file, after.asides);
    if (!(before.plan == after.plan)) {
        const auto& minutes = after.plan.minutesPerFrame;
        file.run("INSERT OR REPLACE INTO time_plan VALUES (1, ?, ?, ?, ?)", minutes[0], minutes[1], minutes[2],
                 after.plan.hoursPerDay);
    }
    if (before.spent != after.spent)
        writeTimes(file, before.spent, after.spent);
    if (!(before.delivery == after.delivery)) {
        const DeliveryChoices& d = after.delivery;
        file.run("INSERT OR REPLACE INTO delivery VALUES (1, ?, ?, ?, ?, ?, ?)", d.format, d.space, d.quality,
                 d.longEdge, d.ratio, d.folder);
    }
    if (!(before.handOver == after.handOver))
        file.run("INSERT OR REPLACE INTO hand_over VALUES (1, ?)", handOverToText(after.handOver));
    if (!(before.held == after.held))
        writeHeld(file, after.held);
    if (before.route != after.route)
        writeRoute(file, after.route);
}

}  // namespace amber
