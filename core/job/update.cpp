// Jobs of earlier formats. Format 1 kept pictures by absolute place. Formats 1 and 2 kept what was decided as texts
// with names, and a history of their own for every look and one for balances.
#include "core/base/json_text.h"
#include "core/job/edits.h"
#include "core/job/job_state.h"
#include "core/job/table_rows.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <sstream>

namespace amber {
namespace fs = std::filesystem;
namespace {

using Part = Change::Part;

void placeFramesRelatively(JobFile& file)
{
    SQLite::Database& sql = file.sql;
    sql.exec("ALTER TABLE frame RENAME TO frame_format1");
    sql.exec("CREATE TABLE frame (id INTEGER PRIMARY KEY, path TEXT NOT NULL, seen TEXT NOT NULL, "
             "hash TEXT NOT NULL DEFAULT '', bytes INTEGER NOT NULL DEFAULT 0, fault TEXT NOT NULL DEFAULT '', "
             "added TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP)");
    sql.exec("INSERT INTO frame (id, path, seen, hash, fault, added) "
             "SELECT id, path, path, hash, fault, added FROM frame_format1");
    std::vector<std::pair<FrameId, std::string>> places;
    {
        SQLite::Statement query(sql, "SELECT id, path FROM frame");
        while (query.executeStep())
            places.emplace_back(query.getColumn(0).getInt64(), query.getColumn(1).getString());
    }
    for (const auto& [id, place] : places)
        file.run("UPDATE frame SET path = ? WHERE id = ?", file.relativePlace(place), id);
    sql.exec("DROP TABLE frame_format1");
}

std::vector<std::string> parts(const std::string& text, char between)
{
    std::vector<std::string> all;
    std::istringstream in(text);
    for (std::string part; std::getline(in, part, between);)
        if (!part.empty())
            all.push_back(part);
    return all;
}

std::vector<std::int64_t> numbers(const std::string& text, char between)
{
    std::vector<std::int64_t> all;
    for (const std::string& part : parts(text, between))
        all.push_back(std::stoll(part));
    return all;
}

/// Rectangles of four numbers, the crop first, with a semicolon after each.
Framing framingFrom(const std::string& text)
{
    Framing framing;
    bool first = true;
    for (const std::string& part : parts(text, ';')) {
        Region r;
        std::istringstream in(part);
        in.imbue(std::locale::classic());
        if (!(in >> r.left >> r.top >> r.right >> r.bottom) || !(r.left < r.right) || !(r.top < r.bottom))
            throw std::invalid_argument(part);
        if (std::exchange(first, false))
            framing.crop = r;
        else
            framing.leftOut.push_back(r);
    }
    return framing;
}

Region regionFrom(const Json& json)
{
    return {json.at(0).get<double>(), json.at(1).get<double>(), json.at(2).get<double>(), json.at(3).get<double>()};
}

template <class T>
T taken(Result<T> result)
{
    if (!result)
        throw std::invalid_argument(result.error().message());
    return std::move(*result);
}

/// A name of the form "framing/12": what stands before the number, and the number.
std::pair<std::string, FrameId> split(const std::string& name)
{
    const auto slash = name.rfind('/');
    if (slash == std::string::npos || slash + 1 == name.size() ||
        name.find_first_not_of("0123456789", slash + 1) != std::string::npos)
        return {name, 0};
    return {name.substr(0, slash), std::stoll(name.substr(slash + 1))};
}

/// Takes one text after another into the values of today. Throws for a text that cannot be read.
struct Taker {
    JobFile& file;
    Job& job;
    Desk& desk;

    void take(const std::string& name, const std::string& text)
    {
        const auto [kind, id] = split(name);
        if (id != 0 && takeOfFrame(kind, id, text))
            return;
        if (takeOfShoot(name, text) || takeOfDelivery(name, text))
            return;
        takeOfDesk(name, text);
    }

private:
    bool takeOfFrame(const std::string& kind, FrameId id, const std::string& text)
    {
        if (kind == "balance/frame")
            takeBalance(id, text);
        else if (kind == "framing")
            job.frames[id].framing = framingFrom(text);
        else if (kind == "unused")
            job.frames[id].isUnused = true;
        else if (kind == "merged")
            job.frames[id].mergedFrom = numbers(text, ',');
        else if (kind == "time")
            desk.spent[id] = Json::parse(text).get<StageTimes>();
        else if (kind == "surround")
            file.run("UPDATE pin SET surround = ? WHERE revision = ?", std::stoi(text), id);
        else
            return false;
        return true;
    }
    void takeBalance(FrameId id, const std::string& text)
    {
        if (auto balance = frameBalanceFromText(text)) {
            job.frames[id].balance = std::move(*balance);
        } else {
            job.frames[id].balanceFault = balance.error().message();
            keepUnreadable(file, nameOf(Part::Balance), std::to_string(id), text);
        }
    }
    bool takeOfShoot(const std::string& name, const std::string& text)
    {
        if (name == "keyColours")
            job.keys = taken(keyColoursFromText(text));
        else if (name == "keyPlaces")
            takeKeyPlaces(Json::parse(text));
        else if (name == "responses")
            takeResponses(Json::parse(text));
        else if (name == "groups")
            takeLights(Json::parse(text));
        else if (name == "ratings")
            takeRatings(Json::parse(text));
        else if (name == "done")
            for (const FrameId id : numbers(text, ','))
                job.frames[id].isDone = true;
        else
            return false;
        return true;
    }
    void takeKeyPlaces(const Json& list)
    {
        decltype(job.keyPlaces) places;
        for (const Json& p : list)
            places[{p.at("frame").get<FrameId>(), p.at("key").get<std::string>()}] = {
                regionFrom(p.at("place")), p.at("confidence").get<double>(), p.at("confirmed").get<bool>()};
        job.keyPlaces = std::move(places);
    }
    void takeResponses(const Json& all)
    {
        for (const auto& [camera, curve] : all.items())
            job.responses[camera] = taken(responseFromText(curve.get<std::string>()));
    }
    void takeLights(const Json& list)
    {
        std::vector<Light> lights;
        for (const Json& l : list)
            lights.push_back({l.at("name").get<std::string>(), l.at("lead").get<FrameId>(),
                              l.at("frames").get<std::vector<FrameId>>()});
        job.lights = std::move(lights);
    }
    void takeRatings(const Json& all)
    {
        std::map<FrameId, int> ratings;
        for (const auto& [id, stars] : all.items())
            ratings[std::stoll(id)] = std::clamp(stars.get<int>(), 0, 5);
        for (const auto& [id, stars] : ratings)
            job.frames[id].rating = stars;
    }
    bool takeOfDelivery(const std::string& name, const std::string& text)
    {
        static constexpr std::array kFormats{"jpeg", "png8", "png16", "tiff8", "tiff16"};
        static constexpr std::array kSpaces{"srgb", "p3", "oprgb", "rec2020"};
        static constexpr std::array kRatios{0.0, 1.5, 2.0 / 3, 4.0 / 3, 1.0, 0.8, 16.0 / 9, 2.0};
        DeliveryChoices& d = desk.delivery;
        const auto index = [&] { return static_cast<std::size_t>(std::stoul(text)); };
        if (name == "export-format")
            d.format = kFormats.at(index());
        else if (name == "export-space")
            d.space = kSpaces.at(index());
        else if (name == "export-quality")
            d.quality = std::stoi(text);
        else if (name == "export-edge")
            d.longEdge = std::stoi(text);
        else if (name == "export-shape")
            d.ratio = kRatios.at(index());
        else if (name == "export-folder")
            d.folder = text;
        else
            return false;
        return true;
    }
    void takeOfDesk(const std::string& name, const std::string& text)
    {
        if (name == "frame")
            desk.frame = std::stoll(text);
        else if (name == "look")
            desk.look = std::stoll(text);
        else if (name == "step")
            desk.step = std::stoi(text);
        else if (name == "surround")
            desk.surround = std::stoi(text);
        else if (name == "watched")
            desk.watched = text;
        else if (name == "companions")
            desk.companions = text == "none" ? std::vector<FrameId>{} : numbers(text, ',');
        else if (name == "aside")
            takeAsides(text);
        else if (name == "timePlan")
            takeTimePlan(Json::parse(text));
        else if (name == "match")
            takeHeld(Json::parse(text));
    }
    void takeAsides(const std::string& text)
    {
        for (const std::string& entry : parts(text, ';'))
            if (const auto n = numbers(entry, ' '); n.size() == 4)
                desk.asides.push_back({n[0], n[1], n[2], n[3]});
    }
    void takeTimePlan(const Json& json)
    {
        desk.plan.minutesPerFrame = json.at("minutes").get<StageTimes>();
        desk.plan.hoursPerDay = json.at("hours").get<double>();
    }
    void takeHeld(const Json& json)
    {
        HeldReference held;
        held.kind = static_cast<HeldReference::Kind>(
            std::clamp(json.at("kind").get<int>(), 0, static_cast<int>(HeldReference::Kind::Table)));
        held.frame = json.value("frame", FrameId{0}), held.withTable = json.value("table", false);
        held.paths = json.at("paths").get<std::vector<std::string>>();
        desk.held = std::move(held);
    }
};

struct OldGesture {
    std::string what, made;
    std::vector<Change> changes;
};

/// A balance as the journal of today has it.
std::string balanceText(const std::string& old)
{
    const auto balance = frameBalanceFromText(old);
    if (!balance)
        return jsonText({{"unreadable", balance.error().message()}});
    return *balance == FrameBalance{} ? std::string() : frameBalanceToText(*balance);
}

/// The history of balances: those done, and those taken back. An entry that cannot be read breaks the chain: what lies
/// beyond it is left out, as it could not be walked before either.
std::pair<std::vector<OldGesture>, std::vector<OldGesture>> balanceHistory(JobFile& file,
                                                                           std::map<std::string, std::string>& texts)
{
    std::pair<std::vector<OldGesture>, std::vector<OldGesture>> both;
    const std::int64_t done = std::atoll(texts["balance/at"].c_str());
    for (std::int64_t i = 0;; ++i) {
        const std::string name = "balance/gesture/" + std::to_string(i);
        const std::string text = texts[name];
        if (text.empty())
            break;
        try {
            const Json entry = Json::parse(text);
            OldGesture gesture{entry.at("action").get<std::string>(), {}, {}};
            for (const auto& [id, after] : entry.at("after").items())
                gesture.changes.push_back({Part::Balance, id, balanceText(entry.at("before").at(id).get<std::string>()),
                                           balanceText(after.get<std::string>())});
            (i < done ? both.first : both.second).push_back(std::move(gesture));
        } catch (const std::exception&) {
            keepUnreadable(file, "history", name, text);
            if (i >= done)
                break;
            both.first.clear();
        }
    }
    return both;
}

struct OldRevision {
    RevisionId id;
    LookId look;
    RevisionId parent;
    std::string name, action, made;
};

std::map<RevisionId, OldRevision> oldRevisions(JobFile& file)
{
    std::map<RevisionId, OldRevision> all;
    SQLite::Statement query(file.sql, "SELECT r.id, r.look, r.parent, r.json, r.action, r.made, l.name "
                                      "FROM revision r JOIN look l ON l.id = r.look ORDER BY r.id");
    while (query.executeStep()) {
        const auto id = query.getColumn(0).getInt64();
        const Json json = Json::parse(query.getColumn(3).getString(), nullptr, false);
        const bool isNamed = json.is_object() && json.contains("name") && json["name"].is_string();
        all[id] = {id,
                   query.getColumn(1).getInt64(),
                   query.getColumn(2).getInt64(),
                   isNamed ? json["name"].get<std::string>() : query.getColumn(6).getString(),
                   query.getColumn(4).getString(),
                   query.getColumn(5).getString()};
    }
    return all;
}

/// The revisions of looks: those up to the current one, by their numbers, and those that were taken back.
std::pair<std::vector<OldGesture>, std::vector<OldGesture>> lookHistory(JobFile& file)
{
    const std::map<RevisionId, OldRevision> all = oldRevisions(file);
    const auto text = [](const OldRevision& r) { return jsonText({{"name", r.name}, {"revision", r.id}}); };
    std::map<RevisionId, OldGesture> done, undone;
    SQLite::Statement looks(file.sql, "SELECT current, tip FROM look");
    while (looks.executeStep()) {
        const RevisionId current = looks.getColumn(0).getInt64();
        bool isDone = false;
        for (auto at = all.find(looks.getColumn(1).getInt64()); at != all.end();) {
            isDone = isDone || at->first == current;
            const OldRevision& r = at->second;
            const auto parent = all.find(r.parent);
            if (parent != all.end())
                (isDone ? done : undone)[r.id] = {
                    r.action, r.made, {{Part::Look, std::to_string(r.look), text(parent->second), text(r)}}};
            at = parent != all.end() && parent->first < r.id ? parent : all.end();
        }
    }
    std::pair<std::vector<OldGesture>, std::vector<OldGesture>> both;
    for (auto& [id, gesture] : done)
        both.first.push_back(std::move(gesture));
    for (auto& [id, gesture] : undone)
        both.second.push_back(std::move(gesture));
    return both;
}

/// One line of gestures; what is done ends at the current one.
void writeJournal(JobFile& file, const std::vector<OldGesture>& done, const std::vector<OldGesture>& undone)
{
    std::int64_t parent = 0;
    const auto put = [&](const OldGesture& g) {
        if (parent == 0)
            file.run("INSERT INTO gesture (what, made) VALUES (?, ?)", g.what, g.made);
        else
            file.run("INSERT INTO gesture (parent, what, made) VALUES (?, ?, ?)", parent, g.what, g.made);
        parent = file.sql.getLastInsertRowid();
        for (std::size_t i = 0; i < g.changes.size(); ++i)
            file.run("INSERT INTO change VALUES (?, ?, ?, ?, ?, ?)", parent, static_cast<int>(i),
                     nameOf(g.changes[i].part), g.changes[i].subject, g.changes[i].before, g.changes[i].after);
    };
    for (const OldGesture& g : done)
        put(g);
    if (parent != 0)
        file.run("UPDATE journal SET current = ?", parent);
    for (const OldGesture& g : undone)
        put(g);
    if (parent != 0)
        file.run("UPDATE journal SET tip = ?", parent);
}

std::map<std::string, std::string> textsOf(const JobFile& file)
{
    std::map<std::string, std::string> texts;
    SQLite::Statement query(file.sql, "SELECT name, value FROM choice");
    while (query.executeStep())
        texts[query.getColumn(0).getString()] = query.getColumn(1).getString();
    return texts;
}

/// What a text was called, by the part that it is today.
std::string partOf(const std::string& name)
{
    const std::string kind = split(name).first;
    const std::pair<const char*, const char*> kParts[] = {
        {"framing", "framing"},    {"ratings", "ratings"}, {"done", "ratings"},           {"unused", "ratings"},
        {"merged", "merged-from"}, {"groups", "lights"},   {"keyColours", "key-colours"}, {"keyPlaces", "key-place"},
        {"responses", "response"}, {"time", "time plan"},  {"timePlan", "time plan"},     {"match", "reference"}};
    for (const auto& [old, part] : kParts)
        if (kind == old)
            return part;
    return kind;
}

/// What was a planned crop, in fractions of the finished picture, within the crop that the frame has.
Region within(const Region& crop, const Region& planned)
{
    const double w = crop.right - crop.left, h = crop.bottom - crop.top;
    return {crop.left + planned.left * w, crop.top + planned.top * h, crop.left + planned.right * w,
            crop.top + planned.bottom * h};
}

/// The journal's balances of such frames have the crop as well: walking over them leaves it.
void takeCropsIntoJournal(JobFile& file, const std::map<FrameId, Region>& planned)
{
    struct Entry {
        std::int64_t gesture, position;
        std::string before, after;
    };
    const auto cropped = [](const std::string& text, const Region& crop) {
        auto balance = frameBalanceFromText(text);
        if (!balance)
            return text;
        balance->geometry.crop = within(balance->geometry.crop, crop);
        return frameBalanceToText(*balance);
    };
    for (const auto& [id, crop] : planned) {
        std::vector<Entry> entries;
        SQLite::Statement query(file.sql, "SELECT gesture, position, before, after FROM change "
                                          "WHERE part = 'balance' AND subject = ?");
        query.bind(1, std::to_string(id));
        while (query.executeStep())
            entries.push_back({query.getColumn(0).getInt64(), query.getColumn(1).getInt64(),
                               query.getColumn(2).getString(), query.getColumn(3).getString()});
        for (const Entry& e : entries)
            file.run("UPDATE change SET before = ?, after = ? WHERE gesture = ? AND position = ?",
                     cropped(e.before, crop), cropped(e.after, crop), e.gesture, e.position);
    }
}

/// It was measured by and not delivered; it is the frame's crop now, and marks stay on what they lie on.
Job withPlannedCrops(Job job)
{
    std::map<FrameId, FrameBalance> balances;
    for (auto& [id, state] : job.frames) {
        const Region planned = std::exchange(state.framing.crop, {});
        if (planned.isWhole() || !state.balanceFault.empty())
            continue;
        FrameBalance balance = state.balance;
        balance.geometry.crop = within(balance.geometry.crop, planned);
        balances[id] = std::move(balance);
    }
    return withBalances(std::move(job), balances, [](FrameId) { return std::optional<double>(); });
}

/// Format 3 kept the planned crop as the first of the regions that do not count.
void takeCropsOfFormat3(JobFile& file)
{
    std::map<FrameId, Region> planned;
    forRows(file, "SELECT frame, left, top, right, bottom FROM frame_region WHERE position = 0", [&](Row& row) {
        const FrameId id = row.whole();
        planned[id] = row.region();
    });
    file.run("DELETE FROM frame_region WHERE position = 0");
    file.run("UPDATE frame_region SET position = -position");
    file.run("UPDATE frame_region SET position = -position - 1");
    std::vector<Unreadable> unreadable;
    const Job before = readJob(file, unreadable);
    Job after = before;
    for (const auto& [id, crop] : planned)
        after.frames[id].framing.crop = crop;
    after = withPlannedCrops(std::move(after));
    writeJob(file, after, changesBetween(before, after), unreadable);
    takeCropsIntoJournal(file, planned);
}

/// Gives back the planned crops.
std::map<FrameId, Region> takeTexts(JobFile& file, const std::map<std::string, std::string>& texts)
{
    Job job;
    Desk desk;
    Taker taker{file, job, desk};
    for (const auto& [name, text] : texts)
        if (!text.empty())
            try {
                taker.take(name, text);
            } catch (const std::exception&) {
                keepUnreadable(file, partOf(name), name, text);
            }
    // Of frames that the job no longer knows there is nothing to keep.
    std::erase_if(job.frames, [&](const auto& entry) {
        return file.number("SELECT count(*) FROM frame WHERE id = ?", entry.first) == 0;
    });
    std::map<FrameId, Region> planned;
    for (const auto& [id, state] : job.frames)
        if (!state.framing.crop.isWhole())
            planned[id] = state.framing.crop;
    writeWholeJob(file, withPlannedCrops(std::move(job)));
    writeDesk(file, Desk{}, desk, {});
    return planned;
}

/// From format 3 on only tables were added.
void addTables(JobFile& file, int format)
{
    if (format == 3)
        makeTablesOfFormat4(file.sql);
    if (format <= 4)
        makeTablesOfFormat5(file.sql);
    if (format <= 5)
        makeTablesOfFormat6(file.sql);
    if (format <= 6)
        makeTablesOfFormat7(file.sql);
    if (format <= 7)
        makeTablesOfFormat8(file.sql);
    makeTablesOfFormat9(file.sql);
    if (format == 3)
        takeCropsOfFormat3(file);
}

}  // namespace

void bringUpToDate(JobFile& file, int format)
{
    SQLite::Database& sql = file.sql;
    file.copyTo(file.file.string() + "-format" + std::to_string(format));
    SQLite::Transaction transaction(sql);
    if (format >= 3) {
        addTables(file, format);
        sql.exec("PRAGMA user_version = " + std::to_string(kJobFormat));
        transaction.commit();
        return;
    }
    if (format < 2)
        placeFramesRelatively(file);
    auto texts = textsOf(file);
    const auto looks = lookHistory(file);
    sql.exec("CREATE TABLE look_now (id INTEGER PRIMARY KEY, name TEXT NOT NULL, "
             "current INTEGER REFERENCES revision(id))");
    sql.exec("INSERT INTO look_now SELECT id, name, current FROM look");
    sql.exec("DROP TABLE look");
    sql.exec("ALTER TABLE look_now RENAME TO look");
    sql.exec("ALTER TABLE pin ADD COLUMN surround INTEGER NOT NULL DEFAULT 0");
    makeTables(sql);
    const auto balances = balanceHistory(file, texts);
    const auto planned = takeTexts(file, texts);
    std::vector<OldGesture> done = balances.first, undone = looks.second;
    done.insert(done.end(), looks.first.begin(), looks.first.end());
    undone.insert(undone.end(), balances.second.begin(), balances.second.end());
    writeJournal(file, done, undone);
    takeCropsIntoJournal(file, planned);
    sql.exec("DROP TABLE choice");
    sql.exec("PRAGMA user_version = " + std::to_string(kJobFormat));
    transaction.commit();
}

}  // namespace amber
