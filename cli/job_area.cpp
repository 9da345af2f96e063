// amber job area: where the roles of looks lie on the frames of a job.
#include "cli/job.h"

#include "core/area/thing.h"
#include "core/image/write.h"
#include "core/job/area_finder.h"
#include "core/job/area_work.h"
#include "core/job/edits.h"
#include "core/job/shoot_work.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace amber::cli {
namespace {

struct AreaOptions {
    std::string job, role, frame, out, kind, as;
    std::vector<std::string> frames;
    std::vector<double> ramp, ellipse, box, click;
    double take = -1;
    bool isNotHere = false, isRemoved = false;
};

std::string nameOfId(const std::vector<Frame>& frames, FrameId id)
{
    const Frame* frame = frameOf(frames, id);
    return frame ? nameOf(*frame) : std::to_string(id);
}

Json described(const AreaId& id, const Area& area, const std::vector<Frame>& frames)
{
    Json json{{"frame", nameOfId(frames, id.first)},
              {"role", id.second},
              {"state", kAreaStates[static_cast<std::size_t>(area.state)]},
              {"parts", area.parts.size()},
              {"sureness", area.sureness()},
              {"inBalance", kInBalance[static_cast<std::size_t>(area.inBalance)]}};
    for (const AreaPart& part : area.parts)
        if (const auto* found = std::get_if<Found>(&part.shape))
            json["from"] = found->from;
    return json;
}

void listAreas(const AreaOptions& o, Session& session)
{
    const auto store = openJob(o.job, false, session);
    if (!store)
        return;
    Json list = Json::array();
    for (const auto& [id, area] : store->job().areas) {
        list.push_back(described(id, area, store->frames()));
        if (!session.json)
            std::printf("%-26s %-16s %-10s %3.0f %%\n", nameOfId(store->frames(), id.first).c_str(), id.second.c_str(),
                        std::string(kAreaStates[static_cast<std::size_t>(area.state)]).c_str(), 100 * area.sureness());
    }
    if (session.json)
        session.print({{"areas", std::move(list)}});
}

Result<Role::Kind> kindFrom(const std::string& name)
{
    for (std::size_t i = 0; i < Role::kKinds.size(); ++i)
        if (Role::kKinds[i] == name)
            return static_cast<Role::Kind>(i);
    return fail("no kind of role has this name", {}, {}, name);
}

Json told(const Frame& frame, const Proposal& proposal, bool isTaken, Session& session)
{
    if (!session.json)
        std::printf("%-26s %3.0f %%  %s%s\n", nameOf(frame).c_str(), 100 * proposal.sureness,
                    isTaken                ? "taken: "
                    : proposal.isOffered() ? "offered: "
                                           : "nothing: ",
                    proposal.from.c_str());
    return {{"frame", nameOf(frame)},
            {"sureness", proposal.sureness},
            {"offered", proposal.isOffered()},
            {"taken", isTaken},
            {"from", proposal.from}};
}

/// Areas that somebody confirmed, drew or denied stay as they are.
void proposeAreas(const AreaOptions& o, Session& session)
{
    auto store = openJob(o.job, o.take >= 0, session);
    if (!store)
        return;
    const auto kind = kindFrom(o.kind.empty() ? "sky" : o.kind);
    const auto wanted = namedFrames(store->frames(), o.frames);
    if (!kind || !wanted)
        return session.report(kind ? wanted.error() : kind.error());
    Job after = store->job();
    Json list = Json::array();
    for (const FrameId id : *wanted) {
        const Frame& frame = *frameOf(store->frames(), id);
        if (const Area* known = after.areaOf(id, o.role); known && known->state != Area::State::Proposed)
            continue;
        const auto proposal = proposeArea(after, frame, *kind);
        if (!proposal) {
            session.report(proposal.error(), 1);
            continue;
        }
        const bool isTaken = o.take >= 0 && proposal->sureness >= o.take;
        if (o.take >= 0 && (isTaken || proposal->isOffered()))
            after.areas[{id, o.role}] = areaOf(*proposal, isTaken);
        list.push_back(told(frame, *proposal, isTaken, session));
    }
    if (o.take >= 0)
        if (const Status done = store->commit(after, "Areas of " + o.role + " proposed"); !done)
            return session.report(done.error());
    if (session.json)
        session.print({{"role", o.role}, {"frames", std::move(list)}});
}

/// Looks on the other frames for what is marked on some.
void findAreas(const AreaOptions& o, Session& session)
{
    auto store = openJob(o.job, o.take >= 0, session);
    if (!store)
        return;
    const auto wanted = namedFrames(store->frames(), o.frames);
    const auto kind = kindFrom(o.kind.empty() ? "thing" : o.kind);
    if (!kind || !wanted)
        return session.report(kind ? wanted.error() : kind.error());
    AreaFinder finder;
    const auto offers = finder.find(store->job(), store->frames(), *wanted, {{o.role, *kind}});
    Json list = Json::array();
    for (const AreaOffers& found : offers) {
        const Frame& frame = *frameOf(store->frames(), found.frame);
        if (!found.fault.empty()) {
            session.report(Error{found.fault, nameOf(frame), {}, o.role}, 1);
            continue;
        }
        Proposal best;
        best.from = "not found";
        if (!found.proposals.empty())
            best = found.proposals.front();
        list.push_back(told(frame, best, o.take >= 0 && best.isOffered() && best.sureness >= o.take, session));
    }
    if (o.take >= 0)
        if (const Status done =
                store->commit(withOffers(store->job(), offers, o.take), "Areas of " + o.role + " found");
            !done)
            return session.report(done.error());
    if (session.json)
        session.print({{"role", o.role}, {"frames", std::move(list)}});
}

/// What a box holds, or a click means.
Result<Area> thingMarked(const AreaOptions& o, const Job& job, const Frame& frame)
{
    const auto ground = groundOf(job, frame, kProposalEdge);
    if (!ground)
        return tl::make_unexpected(ground.error());
    const ThingPicture picture = thingPictureOf(ground->view());
    Stroke click;
    click.radius = kClickRadius;
    if (!o.click.empty())
        click.points.push_back({{o.click[0], o.click[1]}, 1});
    const auto offers = o.click.empty() ? proposeThing(picture, Region{o.box[0], o.box[1], o.box[2], o.box[3]})
                                        : proposeThing(picture, click);
    if (offers.empty())
        return fail("nothing is there: the place is too small, or not in the picture", nameOf(frame));
    return areaOf(offers.front(), true);
}

Result<Area> markedArea(const AreaOptions& o, const Job& job, const Frame& frame)
{
    Area area;
    area.state = o.isNotHere ? Area::State::NotHere : Area::State::ByHand;
    if (o.isNotHere)
        return area;
    if (!o.box.empty() || !o.click.empty())
        return thingMarked(o, job, frame);
    if (o.ramp.empty() && o.ellipse.empty())
        return fail("where is it? one of --box, --click, --ramp, --ellipse or --not-here is needed");
    AreaPart part;
    if (!o.ramp.empty())
        part.shape = Ramp{{o.ramp[0], o.ramp[1]}, {o.ramp[2], o.ramp[3]}, false};
    else
        part.shape = Ellipse{{o.ellipse[0], o.ellipse[1]}, o.ellipse[2], o.ellipse[3]};
    area.parts.push_back(std::move(part));
    // What a job may hold is held by its text: limits are checked there.
    return areaFromText(areaToText(area), {});
}

void markArea(const AreaOptions& o, Session& session)
{
    auto store = openJob(o.job, true, session);
    if (!store)
        return;
    const auto ids = namedFrames(store->frames(), {o.frame});
    if (!ids)
        return session.report(ids.error());
    Job after = store->job();
    if (o.isRemoved) {
        if (after.areas.erase({ids->front(), o.role}) == 0)
            return session.report(Error{"the frame has no area of this role", o.frame, {}, o.role});
    } else {
        const auto area = markedArea(o, after, *frameOf(store->frames(), ids->front()));
        if (!area)
            return session.report(area.error());
        after.areas[{ids->front(), o.role}] = *area;
    }
    if (const Status done = store->commit(after, o.isRemoved ? "Area taken off" : "Area marked"); !done)
        return session.report(done.error());
    listAreas(o, session);
}

/// What a role's areas are to the balance.
void balanceByArea(const AreaOptions& o, Session& session)
{
    auto store = openJob(o.job, true, session);
    if (!store)
        return;
    const auto wanted = namedFrames(store->frames(), o.frames);
    const auto as = std::find(kInBalance.begin(), kInBalance.end(), o.as);
    if (!wanted || as == kInBalance.end())
        return session.report(wanted ? Error{"no such choice", "--as", "counts, alone-counts or left-out", o.as}
                                     : wanted.error());
    const bool isMarked = std::any_of(wanted->begin(), wanted->end(),
                                      [&](FrameId id) { return store->job().areaOf(id, o.role) != nullptr; });
    if (!isMarked)
        return session.report(Error{"none of these frames has an area of this role", {}, {}, o.role});
    const auto choice = static_cast<Area::InBalance>(as - kInBalance.begin());
    if (const Status done = store->commit(withInBalance(store->job(), *wanted, o.role, choice), "Balance by " + o.role);
        !done)
        return session.report(done.error());
    listAreas(o, session);
}

void writeMask(const AreaOptions& o, Session& session)
{
    const auto store = openJob(o.job, false, session);
    if (!store)
        return;
    const auto ids = namedFrames(store->frames(), {o.frame});
    if (!ids)
        return session.report(ids.error());
    const Area* area = store->job().areaOf(ids->front(), o.role);
    if (!area)
        return session.report(Error{"the frame has no area of this role", o.frame, {}, o.role});
    const auto mask = maskOfSource(store->job(), *frameOf(store->frames(), ids->front()), *area);
    if (!mask)
        return session.report(mask.error());
    std::vector<std::uint8_t> codes(mask->values.size());
    double sum = 0;
    for (std::size_t i = 0; i < codes.size(); ++i) {
        codes[i] = static_cast<std::uint8_t>(std::lround(255 * mask->values[i]));
        sum += mask->values[i];
    }
    if (const Status written = writeGrey(o.out, mask->width, mask->height, codes); !written)
        return session.report(written.error());
    const double share = sum / static_cast<double>(codes.size());
    if (session.json)
        session.print({{"mask", o.out}, {"width", mask->width}, {"height", mask->height}, {"share", share}});
    else
        std::printf("%s: %d x %d, %.1f %% of the frame\n", o.out.c_str(), mask->width, mask->height, 100 * share);
}

/// The ways to say where something is, one at a time.
void addMarks(CLI::App& mark, AreaOptions& o)
{
    mark.add_option("frame", o.frame, "The frame, by name")->required();
    auto* ramp = mark.add_option("--ramp", o.ramp, "FULLX,FULLY,NONEX,NONEY as fractions of the source");
    ramp->delimiter(',')->expected(4);
    auto* ellipse =
        mark.add_option("--ellipse", o.ellipse, "X,Y as fractions, HALFWIDTH,HALFHEIGHT of the longer edge");
    ellipse->delimiter(',')->expected(4)->excludes(ramp);
    auto* box = mark.add_option("--box", o.box, "LEFT,TOP,RIGHT,BOTTOM round a thing, as fractions of the source");
    box->delimiter(',')->expected(4)->excludes(ramp)->excludes(ellipse);
    mark.add_option("--click", o.click, "X,Y on a thing, as fractions of the source")
        ->delimiter(',')
        ->expected(2)
        ->excludes(ramp)
        ->excludes(ellipse)
        ->excludes(box);
    mark.add_flag("--not-here", o.isNotHere, "The role is not in this frame");
    mark.add_flag("--remove", o.isRemoved, "It is not known any more where the role lies");
}

/// What both ways to look for areas take.
void addSearch(CLI::App& search, AreaOptions& o)
{
    search.add_option("--frames", o.frames, "Only these frames, by name")->delimiter(',');
    search
        .add_option("--take", o.take,
                    "Keep what is offered, and confirm what is at least so sure; without, nothing changes")
        ->check(CLI::Range(0.0, 1.0));
}

}  // namespace

void addJobArea(CLI::App& job, Session& session)
{
    CLI::App* area = job.add_subcommand("area", "Where the roles of looks lie on the frames of a job");
    area->require_subcommand(1);
    const auto o = std::make_shared<AreaOptions>();
    const auto sub = [&](const char* name, const char* words, void (*run)(const AreaOptions&, Session&)) {
        CLI::App* command = area->add_subcommand(name, words);
        command->add_option("job", o->job, "The job (.amberjob), or its folder")->required();
        command->callback([o, run, &session] { run(*o, session); });
        return command;
    };
    const auto role = [&](CLI::App* command) {
        command->add_option("--role", o->role, "The role, by name")->required();
    };
    sub("list", "The areas of a job", listAreas);
    CLI::App* propose = sub("propose", "Look for areas that need no input", proposeAreas);
    role(propose);
    propose->add_option("--kind", o->kind, "What the role is: sky, ground")->default_str("sky");
    addSearch(*propose, *o);
    CLI::App* find = sub("find", "Look on other frames for what is marked on some", findAreas);
    role(find);
    find->add_option("--kind", o->kind, "What the role is: sky, thing, skin, …")->default_str("thing");
    addSearch(*find, *o);
    CLI::App* mark = sub("mark", "Mark an area on a frame", markArea);
    role(mark);
    addMarks(*mark, *o);
    CLI::App* balance = sub("balance", "Say what a role's areas are to the balance of their frames", balanceByArea);
    role(balance);
    balance->add_option("--as", o->as, "counts, alone-counts (the balance is made on it) or left-out")->required();
    balance->add_option("--frames", o->frames, "Only these frames, by name")->delimiter(',');
    CLI::App* mask = sub("mask", "Write an area's mask: 8-bit grey, size of the source", writeMask);
    role(mask);
    mask->add_option("frame", o->frame, "The frame, by name")->required();
    mask->add_option("-o,--out", o->out, "The file (.png)")->required();
    area->footer("Example: amber job area propose shoot.amberjob --role sky --take 0.8");
}

}  // namespace amber::cli
