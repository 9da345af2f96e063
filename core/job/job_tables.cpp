#include "core/job/job_tables.h"

#include "core/base/content_hash.h"
#include "core/base/json_text.h"
#include "core/job/table_rows.h"

#include <algorithm>
#include <set>

namespace amber {
namespace {

using Part = Change::Part;

// frame.path: relative to the job's folder, or absolute; frame.seen: absolute, where the picture was last found.
// look.current: none when its making was taken back. A region is left, top, right, bottom in fractions.
constexpr const char* kSchema = R"(
CREATE TABLE IF NOT EXISTS frame (id INTEGER PRIMARY KEY, path TEXT NOT NULL, seen TEXT NOT NULL,
    hash TEXT NOT NULL DEFAULT '', bytes INTEGER NOT NULL DEFAULT 0, fault TEXT NOT NULL DEFAULT '',
    added TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE IF NOT EXISTS look (id INTEGER PRIMARY KEY, name TEXT NOT NULL,
    current INTEGER REFERENCES revision(id));
CREATE TABLE IF NOT EXISTS revision (id INTEGER PRIMARY KEY, look INTEGER NOT NULL REFERENCES look(id),
    parent INTEGER REFERENCES revision(id), json TEXT NOT NULL, action TEXT NOT NULL,
    made TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE IF NOT EXISTS table_data (hash TEXT PRIMARY KEY, cube TEXT NOT NULL);
CREATE TABLE IF NOT EXISTS pin (id INTEGER PRIMARY KEY, look INTEGER NOT NULL REFERENCES look(id),
    revision INTEGER NOT NULL REFERENCES revision(id), note TEXT NOT NULL,
    made TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP, surround INTEGER NOT NULL DEFAULT 0);
CREATE TABLE gesture (id INTEGER PRIMARY KEY, parent INTEGER REFERENCES gesture(id), what TEXT NOT NULL,
    reason TEXT NOT NULL DEFAULT '', made TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE change (gesture INTEGER NOT NULL REFERENCES gesture(id), position INTEGER NOT NULL, part TEXT NOT NULL,
    subject TEXT NOT NULL, before TEXT NOT NULL, after TEXT NOT NULL, PRIMARY KEY (gesture, position));
CREATE TABLE journal (one INTEGER PRIMARY KEY CHECK (one = 1), current INTEGER REFERENCES gesture(id),
    tip INTEGER REFERENCES gesture(id));
INSERT INTO journal VALUES (1, NULL, NULL);
CREATE TABLE frame_state (frame INTEGER PRIMARY KEY REFERENCES frame(id), rating INTEGER NOT NULL,
    done INTEGER NOT NULL, unused INTEGER NOT NULL, look INTEGER NOT NULL);
CREATE TABLE frame_balance (frame INTEGER PRIMARY KEY REFERENCES frame(id), stops REAL NOT NULL, kelvin REAL NOT NULL,
    tint REAL NOT NULL, black REAL NOT NULL, white REAL NOT NULL, straighten REAL NOT NULL, lean_up REAL NOT NULL,
    lean_aside REAL NOT NULL, crop_left REAL NOT NULL, crop_top REAL NOT NULL, crop_right REAL NOT NULL,
    crop_bottom REAL NOT NULL, response TEXT NOT NULL, exposure_locked INTEGER NOT NULL, white_locked INTEGER NOT NULL,
    ends_locked INTEGER NOT NULL, key_stops REAL NOT NULL, because TEXT NOT NULL, confidence REAL NOT NULL,
    fault TEXT NOT NULL);
CREATE TABLE frame_region (frame INTEGER NOT NULL REFERENCES frame(id), position INTEGER NOT NULL, left REAL NOT NULL,
    top REAL NOT NULL, right REAL NOT NULL, bottom REAL NOT NULL, PRIMARY KEY (frame, position));
CREATE TABLE merged (frame INTEGER NOT NULL REFERENCES frame(id), position INTEGER NOT NULL, parent INTEGER NOT NULL,
    PRIMARY KEY (frame, position));
CREATE TABLE light (position INTEGER PRIMARY KEY, name TEXT NOT NULL, lead INTEGER NOT NULL);
CREATE TABLE light_frame (light INTEGER NOT NULL, position INTEGER NOT NULL, frame INTEGER NOT NULL,
    PRIMARY KEY (light, position));
CREATE TABLE key_colour (position INTEGER PRIMARY KEY, name TEXT NOT NULL, frame INTEGER NOT NULL, left REAL NOT NULL,
    top REAL NOT NULL, right REAL NOT NULL, bottom REAL NOT NULL, marked_r REAL NOT NULL, marked_g REAL NOT NULL,
    marked_b REAL NOT NULL, target_l REAL, target_a REAL, target_b REAL, tolerance REAL NOT NULL,
    kind INTEGER NOT NULL);
CREATE TABLE key_place (frame INTEGER NOT NULL, key TEXT NOT NULL, left REAL NOT NULL, top REAL NOT NULL,
    right REAL NOT NULL, bottom REAL NOT NULL, confidence REAL NOT NULL, confirmed INTEGER NOT NULL,
    PRIMARY KEY (frame, key));
CREATE TABLE camera_response (camera TEXT NOT NULL, knot INTEGER NOT NULL, log_light REAL NOT NULL,
    PRIMARY KEY (camera, knot));
CREATE TABLE desk (one INTEGER PRIMARY KEY CHECK (one = 1), frame INTEGER NOT NULL, look INTEGER NOT NULL,
    step INTEGER NOT NULL, surround INTEGER NOT NULL, companions_chosen INTEGER NOT NULL, watched TEXT NOT NULL);
CREATE TABLE companion (position INTEGER PRIMARY KEY, frame INTEGER NOT NULL);
CREATE TABLE aside (position INTEGER PRIMARY KEY, frame INTEGER NOT NULL, look INTEGER NOT NULL,
    revision INTEGER NOT NULL, left_at INTEGER NOT NULL);
CREATE TABLE stage_time (frame INTEGER NOT NULL, stage INTEGER NOT NULL, seconds REAL NOT NULL,
    PRIMARY KEY (frame, stage));
CREATE TABLE time_plan (one INTEGER PRIMARY KEY CHECK (one = 1), balance_minutes REAL NOT NULL,
    look_minutes REAL NOT NULL, proof_minutes REAL NOT NULL, hours_per_day REAL NOT NULL);
CREATE TABLE delivery (one INTEGER PRIMARY KEY CHECK (one = 1), format TEXT NOT NULL, space TEXT NOT NULL,
    quality INTEGER NOT NULL, long_edge INTEGER NOT NULL, ratio REAL NOT NULL, folder TEXT NOT NULL);
CREATE TABLE held_reference (one INTEGER PRIMARY KEY CHECK (one = 1), kind TEXT NOT NULL, frame INTEGER NOT NULL,
    with_table INTEGER NOT NULL);
CREATE TABLE held_path (position INTEGER PRIMARY KEY, path TEXT NOT NULL);
CREATE TABLE unreadable (part TEXT NOT NULL, subject TEXT NOT NULL, text TEXT NOT NULL,
    settled INTEGER NOT NULL DEFAULT 0);
)";

constexpr const char* kFormat4 = R"(
CREATE TABLE frame_optics (frame INTEGER PRIMARY KEY REFERENCES frame(id), lens TEXT NOT NULL,
    lens_off INTEGER NOT NULL, bow REAL NOT NULL, red_fringe REAL NOT NULL, blue_fringe REAL NOT NULL,
    falloff REAL NOT NULL, noise REAL NOT NULL,
    stretch REAL NOT NULL, ratio REAL NOT NULL, from_kelvin REAL NOT NULL, from_tint REAL NOT NULL);
CREATE TABLE lens_term (frame INTEGER NOT NULL REFERENCES frame(id), position INTEGER NOT NULL, value REAL NOT NULL,
    PRIMARY KEY (frame, position));
CREATE TABLE ratio_crop (frame INTEGER NOT NULL REFERENCES frame(id), position INTEGER NOT NULL, ratio REAL NOT NULL,
    left REAL NOT NULL, top REAL NOT NULL, right REAL NOT NULL, bottom REAL NOT NULL, PRIMARY KEY (frame, position));
)";

constexpr const char* kFormat5 = R"(
CREATE TABLE area (frame INTEGER NOT NULL REFERENCES frame(id), role TEXT NOT NULL, json TEXT NOT NULL,
    PRIMARY KEY (frame, role));
CREATE TABLE area_mask (hash TEXT PRIMARY KEY, packed BLOB NOT NULL);
)";

constexpr const char* kFormat6 = R"(
ALTER TABLE light ADD COLUMN look INTEGER NOT NULL DEFAULT 0;
CREATE TABLE frame_set (position INTEGER PRIMARY KEY, name TEXT NOT NULL, of_light INTEGER NOT NULL);
CREATE TABLE frame_set_frame (frame_set INTEGER NOT NULL, position INTEGER NOT NULL, frame INTEGER NOT NULL,
    PRIMARY KEY (frame_set, position));
)";

constexpr const char* kFormat7 = R"(
ALTER TABLE desk ADD COLUMN check_use TEXT NOT NULL DEFAULT 'screen';
CREATE TABLE check_use (position INTEGER PRIMARY KEY, name TEXT NOT NULL, base INTEGER NOT NULL);
CREATE TABLE check_limit (check_use INTEGER NOT NULL, check_id TEXT NOT NULL, most REAL NOT NULL,
    PRIMARY KEY (check_use, check_id));
CREATE TABLE accepted (frame INTEGER NOT NULL, check_use TEXT NOT NULL, check_id TEXT NOT NULL, part TEXT NOT NULL,
    value REAL NOT NULL, reason TEXT NOT NULL, PRIMARY KEY (frame, check_use, check_id, part));
)";

constexpr const char* kBalanceTables[] = {"frame_balance", "frame_optics", "lens_term", "ratio_crop",
                                          "frame_in_picture"};

/// The rows of a table as text: what is kept of it when it cannot be read.
std::string rowsAsText(const JobFile& file, const std::string& table)
{
    Json rows = Json::array();
    SQLite::Statement query(file.sql, "SELECT * FROM " + table);
    while (query.executeStep()) {
        Json row = Json::object();
        for (int i = 0; i < query.getColumnCount(); ++i)
            row[query.getColumnName(i)] = query.getColumn(i).getString();
        rows.push_back(std::move(row));
    }
    return jsonText(rows);
}

FrameBalance balanceFrom(Row& row)
{
    FrameBalance b;
    b.light.exposureStops = row.real(), b.light.kelvin = row.real(), b.light.tint = row.real();
    b.ends = {row.real(), row.real()};
    b.geometry.straightenDegrees = row.real(), b.geometry.leanUp = row.real(), b.geometry.leanAside = row.real();
    b.geometry.crop = row.region();
    b.response = row.text();
    b.exposureLocked = row.flag(), b.whiteLocked = row.flag(), b.endsLocked = row.flag();
    b.keyStops = row.real();
    b.because = row.text();
    b.confidence = row.real();
    return b;
}

/// The numbers of a lens, one after another.
std::vector<double*> termsOf(KnownLens& lens)
{
    std::vector<double*> terms;
    for (auto* part : {&lens.bow, &lens.red, &lens.blue})
        for (double& v : *part)
            terms.push_back(&v);
    for (double& v : lens.dimming)
        terms.push_back(&v);
    return terms;
}

/// Lens, stretch and crops of a frame, which stand in tables of their own.
void readOptics(const JobFile& file, FrameId id, FrameBalance& b)
{
    const auto rows = [&](const char* query, auto&& take) {
        SQLite::Statement statement(file.sql, query);
        statement.bind(1, id);
        while (statement.executeStep()) {
            Row row(statement);
            take(row);
        }
    };
    Optics& o = b.optics;
    rows("SELECT lens, lens_off, bow, red_fringe, blue_fringe, falloff, noise, stretch, ratio, "
         "from_kelvin, from_tint FROM frame_optics "
         "WHERE frame = ?",
         [&](Row& row) {
             o.lens.name = row.text(), o.lensOff = row.flag(), o.bow = row.real();
             o.redFringe = row.real(), o.blueFringe = row.real(), o.falloffStops = row.real(), o.noise = row.real();
             b.geometry.stretch = row.real(), b.geometry.ratio = row.real();
             b.light.fromKelvin = row.real(), b.light.fromTint = row.real();
         });
    const std::vector<double*> terms = termsOf(o.lens);
    rows("SELECT position, value FROM lens_term WHERE frame = ?", [&](Row& row) {
        const auto at = static_cast<std::size_t>(row.whole());
        *terms.at(at) = row.real();
    });
    rows("SELECT json FROM frame_in_picture WHERE frame = ?", [&](Row& row) {
        auto in = inPictureFromText(row.text());
        if (!in)
            throw std::runtime_error(in.error().message());
        b.inPicture = std::move(*in);
    });
    rows("SELECT ratio, left, top, right, bottom FROM ratio_crop WHERE frame = ? ORDER BY position", [&](Row& row) {
        RatioCrop crop;
        crop.ratio = row.real(), crop.crop = row.region();
        b.geometry.crops.push_back(crop);
    });
}

void readBalances(const JobFile& file, Job& job, std::vector<Unreadable>& unreadable)
{
    SQLite::Statement query(file.sql, "SELECT * FROM frame_balance");
    while (query.executeStep()) {
        Row row(query);
        const FrameId id = row.whole();
        FrameState& state = job.frames[id];
        try {
            state.balance = balanceFrom(row);
            readOptics(file, id, state.balance);
            state.balanceFault = row.text();
        } catch (const std::exception& error) {
            state.balance = {};
            state.balanceFault = std::string("the balance cannot be read: ") + error.what();
            unreadable.push_back({nameOf(Part::Balance), std::to_string(id), state.balanceFault, true});
        }
    }
}

void readFrameStates(const JobFile& file, Job& job)
{
    forRows(file, "SELECT frame, rating, done, unused, look FROM frame_state", [&](Row& row) {
        FrameState& state = job.frames[row.whole()];
        state.rating = row.small(), state.isDone = row.flag(), state.isUnused = row.flag();
        state.look = row.whole();
        if (state.rating < 0 || state.rating > 5)
            throw std::runtime_error("a rating from 0 to 5 was expected");
    });
}

void readFramings(const JobFile& file, Job& job)
{
    forRows(file, "SELECT frame, left, top, right, bottom FROM frame_region ORDER BY frame, position", [&](Row& row) {
        Framing& framing = job.frames[row.whole()].framing;
        framing.leftOut.push_back(row.region());
    });
}

void readLights(const JobFile& file, Job& job)
{
    forRows(file, "SELECT name, lead, look FROM light ORDER BY position", [&](Row& row) {
        Light light;
        light.name = row.text(), light.lead = row.whole(), light.look = row.whole();
        job.lights.push_back(std::move(light));
    });
    forRows(file, "SELECT light, frame FROM light_frame ORDER BY light, position", [&](Row& row) {
        const auto light = static_cast<std::size_t>(row.whole());
        job.lights.at(light).frames.push_back(row.whole());
    });
}

void readSets(const JobFile& file, Job& job)
{
    forRows(file, "SELECT name, of_light FROM frame_set ORDER BY position", [&](Row& row) {
        FrameSet set;
        set.name = row.text(), set.ofLight = row.whole();
        job.sets.push_back(std::move(set));
    });
    forRows(file, "SELECT frame_set, frame FROM frame_set_frame ORDER BY frame_set, position", [&](Row& row) {
        const auto set = static_cast<std::size_t>(row.whole());
        job.sets.at(set).frames.push_back(row.whole());
    });
}

void readKeys(const JobFile& file, Job& job)
{
    forRows(file,
            "SELECT name, frame, left, top, right, bottom, marked_r, marked_g, marked_b, target_l, target_a, target_b, "
            "tolerance, kind FROM key_colour ORDER BY position",
            [&](Row& row) {
                KeyColour k;
                k.name = row.text(), k.frame = row.whole(), k.place = row.region();
                k.marked = {row.real(), row.real(), row.real()};
                if (const auto l = row.maybe(), a = row.maybe(), b = row.maybe(); l && a && b)
                    k.target = Lab{*l, *a, *b};
                k.tolerance = row.real();
                const int kind = row.small();
                if (kind < 0 || kind > static_cast<int>(KeyColour::Kind::Brightest))
                    throw std::runtime_error("a kind of key colour was expected");
                k.kind = static_cast<KeyColour::Kind>(kind);
                job.keys.push_back(std::move(k));
            });
}

void readKeyPlaces(const JobFile& file, Job& job)
{
    forRows(file, "SELECT frame, key, left, top, right, bottom, confidence, confirmed FROM key_place", [&](Row& row) {
        KeyPlaceId id;
        id.first = row.whole(), id.second = row.text();
        KeyPlace& place = job.keyPlaces[id];
        place.place = row.region(), place.confidence = row.real(), place.isConfirmed = row.flag();
    });
}

void readUses(const JobFile& file, Job& job)
{
    forRows(file, "SELECT name, base FROM check_use ORDER BY position", [&](Row& row) {
        CheckUse use;
        use.name = row.text(), use.base = row.small();
        if (use.base < 0 || use.base > 2)
            throw std::runtime_error("a use rests on screen, print or archive");
        job.uses.push_back(std::move(use));
    });
    forRows(file, "SELECT check_use, check_id, most FROM check_limit", [&](Row& row) {
        const auto use = static_cast<std::size_t>(row.whole());
        const std::string check = row.text();
        job.uses.at(use).limits[check] = row.real();
    });
}

void readAccepted(const JobFile& file, Job& job)
{
    forRows(file, "SELECT frame, check_use, check_id, part, value, reason FROM accepted", [&](Row& row) {
        FindingId id;
        id.frame = row.whole(), id.use = row.text(), id.check = row.text(), id.part = row.text();
        Acceptance& one = job.accepted[id];
        one.value = row.real(), one.reason = row.text();
    });
}

/// One by one: what is wrong with one leaves the others.
void readAreas(const JobFile& file, Job& job, std::vector<Unreadable>& unreadable)
{
    const MaskOf maskOf = masksOf(file);
    forRows(file, "SELECT frame, role, json FROM area", [&](Row& row) {
        AreaId id;
        id.first = row.whole(), id.second = row.text();
        if (auto area = areaFromText(row.text(), maskOf))
            job.areas[id] = std::move(*area);
        else
            unreadable.push_back(
                {nameOf(Part::Area), std::to_string(id.first) + " " + id.second, area.error().message(), true});
    });
}

void readResponses(const JobFile& file, Job& job)
{
    std::map<std::string, std::vector<double>> curves;
    forRows(file, "SELECT camera, log_light FROM camera_response ORDER BY camera, knot", [&](Row& row) {
        std::vector<double>& curve = curves[row.text()];
        curve.push_back(row.real());
    });
    for (const auto& [camera, curve] : curves) {
        std::array<double, Response::kKnots> knots{};
        if (curve.size() == 1) {  // known to be none
            job.responses[camera] = Response{};
            continue;
        }
        if (curve.size() != knots.size())
            throw std::runtime_error("the response of " + camera + " is not whole");
        std::copy(curve.begin(), curve.end(), knots.begin());
        job.responses[camera] = Response(knots);
    }
}

void readMerged(const JobFile& file, Job& job)
{
    forRows(file, "SELECT frame, parent FROM merged ORDER BY frame, position", [&](Row& row) {
        std::vector<FrameId>& parents = job.frames[row.whole()].mergedFrom;
        parents.push_back(row.whole());
    });
}

/// One part of a job: its tables, how they are read, and its name.
struct Reader {
    const char* part;
    std::vector<const char*> tables;
    void (*read)(const JobFile&, Job&);
    void (*forget)(Job&);
};

const std::vector<Reader>& readers()
{
    static const std::vector<Reader> kReaders{
        {"ratings",
         {"frame_state"},
         readFrameStates,
         [](Job& job) {
             for (auto& [id, s] : job.frames)
                 s.rating = 0, s.isDone = s.isUnused = false, s.look = 0;
         }},
        {"framing",
         {"frame_region"},
         readFramings,
         [](Job& job) {
             for (auto& [id, s] : job.frames)
                 s.framing = {};
         }},
        {"merged-from",
         {"merged"},
         readMerged,
         [](Job& job) {
             for (auto& [id, s] : job.frames)
                 s.mergedFrom.clear();
         }},
        {"stand-in", {"frame_stand_in"}, readStandIns, forgetStandIns},
        {"pin", {"frame_pin"}, readPins, [](Job& job) { job.pins.clear(); }},
        {"ticks", {"route_tick"}, readTicks, [](Job& job) { job.ticks.clear(); }},
        {"lights", {"light", "light_frame"}, readLights, [](Job& job) { job.lights.clear(); }},
        {"sets", {"frame_set", "frame_set_frame"}, readSets, [](Job& job) { job.sets.clear(); }},
        {"key-colours", {"key_colour"}, readKeys, [](Job& job) { job.keys.clear(); }},
        {"key-place", {"key_place"}, readKeyPlaces, [](Job& job) { job.keyPlaces.clear(); }},
        {"check-uses", {"check_use", "check_limit"}, readUses, [](Job& job) { job.uses.clear(); }},
        {"accepted", {"accepted"}, readAccepted, [](Job& job) { job.accepted.clear(); }},
        {"response", {"camera_response"}, readResponses, [](Job& job) { job.responses.clear(); }},
    };
    return kReaders;
}

void writeFrameState(JobFile& file, FrameId id, const FrameState& s)
{
    file.run("DELETE FROM frame_state WHERE frame = ?", id);
    if (s.rating != 0 || s.isDone || s.isUnused || s.look != 0)
        file.run("INSERT INTO frame_state VALUES (?, ?, ?, ?, ?)", id, s.rating, int(s.isDone), int(s.isUnused),
                 s.look);
}

void writeOptics(JobFile& file, FrameId id, const FrameBalance& b)
{
    Optics o = b.optics;
    const Geometry& g = b.geometry;
    if (!(o == Optics{}) || g.stretch != 1 || g.ratio != 0 || b.light.fromKelvin != Balance{}.kelvin ||
        b.light.fromTint != 0)
        file.run("INSERT INTO frame_optics VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)", id, o.lens.name,
                 int(o.lensOff), o.bow, o.redFringe, o.blueFringe, o.falloffStops, o.noise, g.stretch, g.ratio,
                 b.light.fromKelvin, b.light.fromTint);
    if (!(o.lens == KnownLens{})) {
        const std::vector<double*> terms = termsOf(o.lens);
        for (std::size_t i = 0; i < terms.size(); ++i)
            file.run("INSERT INTO lens_term VALUES (?, ?, ?)", id, static_cast<int>(i), *terms[i]);
    }
    if (b.inPicture)
        file.run("INSERT INTO frame_in_picture VALUES (?, ?)", id, inPictureToText(b.inPicture));
    for (std::size_t i = 0; i < g.crops.size(); ++i) {
        const Region& c = g.crops[i].crop;
        file.run("INSERT INTO ratio_crop VALUES (?, ?, ?, ?, ?, ?, ?)", id, static_cast<int>(i), g.crops[i].ratio,
                 c.left, c.top, c.right, c.bottom);
    }
}

void writeBalance(JobFile& file, FrameId id, const FrameState& s)
{
    for (const char* table : kBalanceTables)
        file.run((std::string("DELETE FROM ") + table + " WHERE frame = ?").c_str(), id);
    const FrameBalance& b = s.balance;
    writeOptics(file, id, b);
    if (b == FrameBalance{} && s.balanceFault.empty())
        return;
    const Geometry& g = b.geometry;
    file.run("INSERT INTO frame_balance VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)", id,
             b.light.exposureStops, b.light.kelvin, b.light.tint, b.ends.black, b.ends.white, g.straightenDegrees,
             g.leanUp, g.leanAside, g.crop.left, g.crop.top, g.crop.right, g.crop.bottom, b.response,
             int(b.exposureLocked), int(b.whiteLocked), int(b.endsLocked), b.keyStops, b.because, b.confidence,
             s.balanceFault);
}

void writeFraming(JobFile& file, FrameId id, const Framing& framing)
{
    file.run("DELETE FROM frame_region WHERE frame = ?", id);
    if (framing.isWhole())
        return;
    int position = 0;
    const auto put = [&](const Region& r) {
        file.run("INSERT INTO frame_region VALUES (?, ?, ?, ?, ?, ?)", id, position++, r.left, r.top, r.right,
                 r.bottom);
    };
    for (const Region& r : framing.leftOut)
        put(r);
}

void writeMerged(JobFile& file, FrameId id, const std::vector<FrameId>& parents)
{
    file.run("DELETE FROM merged WHERE frame = ?", id);
    for (std::size_t i = 0; i < parents.size(); ++i)
        file.run("INSERT INTO merged VALUES (?, ?, ?)", id, static_cast<int>(i), parents[i]);
}

void writeLights(JobFile& file, const std::vector<Light>& lights)
{
    file.run("DELETE FROM light_frame");
    file.run("DELETE FROM light");
    for (std::size_t i = 0; i < lights.size(); ++i) {
        const int light = static_cast<int>(i);
        file.run("INSERT INTO light VALUES (?, ?, ?, ?)", light, lights[i].name, lights[i].lead, lights[i].look);
        for (std::size_t k = 0; k < lights[i].frames.size(); ++k)
            file.run("INSERT INTO light_frame VALUES (?, ?, ?)", light, static_cast<int>(k), lights[i].frames[k]);
    }
}

void writeSets(JobFile& file, const std::vector<FrameSet>& sets)
{
    file.run("DELETE FROM frame_set_frame");
    file.run("DELETE FROM frame_set");
    for (std::size_t i = 0; i < sets.size(); ++i) {
        const int set = static_cast<int>(i);
        file.run("INSERT INTO frame_set VALUES (?, ?, ?)", set, sets[i].name, sets[i].ofLight);
        for (std::size_t k = 0; k < sets[i].frames.size(); ++k)
            file.run("INSERT INTO frame_set_frame VALUES (?, ?, ?)", set, static_cast<int>(k), sets[i].frames[k]);
    }
}

void writeKeys(JobFile& file, const std::vector<KeyColour>& keys)
{
    file.run("DELETE FROM key_colour");
    for (std::size_t i = 0; i < keys.size(); ++i) {
        const KeyColour& k = keys[i];
        file.run("INSERT INTO key_colour VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, NULL, NULL, NULL, ?, ?)",
                 static_cast<int>(i), k.name, k.frame, k.place.left, k.place.top, k.place.right, k.place.bottom,
                 k.marked.r, k.marked.g, k.marked.b, k.tolerance, static_cast<int>(k.kind));
        if (k.target)
            file.run("UPDATE key_colour SET target_l = ?, target_a = ?, target_b = ? WHERE position = ?", k.target->l,
                     k.target->a, k.target->b, static_cast<int>(i));
    }
}

void writeKeyPlace(JobFile& file, const Job& job, const KeyPlaceId& id)
{
    file.run("DELETE FROM key_place WHERE frame = ? AND key = ?", id.first, id.second);
    if (const auto found = job.keyPlaces.find(id); found != job.keyPlaces.end()) {
        const KeyPlace& p = found->second;
        file.run("INSERT INTO key_place VALUES (?, ?, ?, ?, ?, ?, ?, ?)", id.first, id.second, p.place.left,
                 p.place.top, p.place.right, p.place.bottom, p.confidence, int(p.isConfirmed));
    }
}

void writeArea(JobFile& file, const Job& job, const AreaId& id)
{
    file.run("DELETE FROM area WHERE frame = ? AND role = ?", id.first, id.second);
    const Area* area = job.areaOf(id.first, id.second);
    if (!area)
        return;
    file.run("INSERT INTO area VALUES (?, ?, ?)", id.first, id.second, areaToText(*area));
    for (const AreaPart& part : area->parts)
        if (const auto* found = std::get_if<Found>(&part.shape)) {
            SQLite::Statement insert(file.sql, "INSERT OR IGNORE INTO area_mask VALUES (?, ?)");
            insert.bind(1, found->hash);
            insert.bind(2, found->mask->data(), static_cast<int>(found->mask->size()));
            insert.exec();
        }
}

void writeResponse(JobFile& file, const Job& job, const std::string& camera)
{
    file.run("DELETE FROM camera_response WHERE camera = ?", camera);
    const auto found = job.responses.find(camera);
    if (found == job.responses.end())
        return;
    if (found->second.isIdentity()) {
        file.run("INSERT INTO camera_response VALUES (?, 0, 0)", camera);
        return;
    }
    const auto& curve = found->second.logLight();
    for (std::size_t i = 0; i < curve.size(); ++i)
        file.run("INSERT INTO camera_response VALUES (?, ?, ?)", camera, static_cast<int>(i), curve[i]);
}

void writeLook(JobFile& file, const Job& job, LookId id)
{
    if (const auto found = job.looks.find(id); found != job.looks.end())
        file.run("UPDATE look SET name = ?, current = ? WHERE id = ?", found->second.name, found->second.revision, id);
    else
        file.run("UPDATE look SET current = NULL WHERE id = ?", id);
}

void writeUses(JobFile& file, const std::vector<CheckUse>& uses)
{
    file.run("DELETE FROM check_limit");
    file.run("DELETE FROM check_use");
    for (std::size_t i = 0; i < uses.size(); ++i) {
        const int use = static_cast<int>(i);
        file.run("INSERT INTO check_use VALUES (?, ?, ?)", use, uses[i].name, uses[i].base);
        for (const auto& [check, most] : uses[i].limits)
            file.run("INSERT INTO check_limit VALUES (?, ?, ?)", use, check, most);
    }
}

void writeAccepted(JobFile& file, const Job& job, const FindingId& id)
{
    file.run("DELETE FROM accepted WHERE frame = ? AND check_use = ? AND check_id = ? AND part = ?", id.frame, id.use,
             id.check, id.part);
    if (const auto found = job.accepted.find(id); found != job.accepted.end())
        file.run("INSERT INTO accepted VALUES (?, ?, ?, ?, ?, ?)", id.frame, id.use, id.check, id.part,
                 found->second.value, found->second.reason);
}

/// What is one frame's alone.
void writeOfFrame(JobFile& file, const FrameState& state, Part part, FrameId id)
{
    switch (part) {
    case Part::Balance:
        return writeBalance(file, id, state);
    case Part::Framing:
        return writeFraming(file, id, state.framing);
    case Part::Rating:
    case Part::Done:
    case Part::Unused:
    case Part::FrameLook:
        return writeFrameState(file, id, state);
    case Part::MergedFrom:
        return writeMerged(file, id, state.mergedFrom);
    case Part::StandIn:
        return writeStandIn(file, id, state);
    default:
        return;
    }
}

void write(JobFile& file, const Job& job, Part part, const std::string& subject)
{
    const auto number = [&] { return std::stoll(subject); };
    const auto name = [&] { return subject.substr(subject.find(' ') + 1); };
    switch (part) {
    case Part::Lights:
        return writeLights(file, job.lights);
    case Part::Sets:
        return writeSets(file, job.sets);
    case Part::KeyColours:
        return writeKeys(file, job.keys);
    case Part::KeyPlace:
        return writeKeyPlace(file, job, {number(), name()});
    case Part::Area:
        return writeArea(file, job, {number(), name()});
    case Part::Response:
        return writeResponse(file, job, subject);
    case Part::Look:
        return writeLook(file, job, number());
    case Part::CheckUses:
        return writeUses(file, job.uses);
    case Part::Accepted:
        return writeAccepted(file, job, findingFrom(subject));
    case Part::Pin:
        return writePin(file, job, number());
    case Part::Ticks:
        return writeTicks(file, job, number());
    default:
        writeOfFrame(file, job.frame(number()), part, number());
    }
}

/// Whether the things of a part are read one by one.
bool isReadAlone(const std::string& part) { return part == nameOf(Part::Balance) || part == nameOf(Part::Area); }

/// The name under which a change is read: what stands in one table is read together, but for what is read alone.
std::string groupOf(Part part, const std::string& subject)
{
    if (isReadAlone(nameOf(part)))
        return std::string(nameOf(part)) + " " + subject;
    return part == Part::Rating || part == Part::Done || part == Part::Unused || part == Part::FrameLook ? "ratings"
                                                                                                         : nameOf(part);
}

/// What could not be read of a group is kept as text, and its tables are emptied, before anything is written there.
bool keepWhatCannotBeRead(JobFile& file, const std::string& group, const std::vector<Unreadable>& unreadable)
{
    const auto isIt = [&](const Unreadable& u) { return groupOf(u) == group && u.isDamaged; };
    const auto found = std::find_if(unreadable.begin(), unreadable.end(), isIt);
    if (found == unreadable.end())
        return false;
    if (found->part == nameOf(Part::Area)) {
        const std::string frame = std::to_string(std::stoll(found->subject));
        keepUnreadable(file, found->part, found->subject, rowsAsText(file, "area WHERE frame = " + frame));
    }
    if (found->part == nameOf(Part::Balance)) {
        std::string rows;
        for (const char* table : kBalanceTables)
            rows += rowsAsText(file, std::string(table) + " WHERE frame = " + found->subject);
        keepUnreadable(file, found->part, found->subject, rows);
    }
    for (const Reader& reader : readers())
        if (group == reader.part)
            setAside(file, group, reader.tables);
    return true;
}

}  // namespace

void makeTables(SQLite::Database& sql)
{
    sql.exec(kSchema);
    makeTablesOfFormat4(sql);
    makeTablesOfFormat5(sql);
    makeTablesOfFormat6(sql);
    makeTablesOfFormat7(sql);
    makeTablesOfFormat8(sql);
    makeTablesOfFormat9(sql);
}
void makeTablesOfFormat4(SQLite::Database& sql) { sql.exec(kFormat4); }
void makeTablesOfFormat5(SQLite::Database& sql) { sql.exec(kFormat5); }
void makeTablesOfFormat6(SQLite::Database& sql) { sql.exec(kFormat6); }
void makeTablesOfFormat7(SQLite::Database& sql) { sql.exec(kFormat7); }

MaskOf masksOf(const JobFile& file)
{
    return [&file](const std::string& hash) -> PackedMask {
        SQLite::Statement query(file.sql, "SELECT packed FROM area_mask WHERE hash = ?");
        query.bind(1, hash);
        if (!query.executeStep())
            return nullptr;
        const SQLite::Column bytes = query.getColumn(0);
        auto mask = std::make_shared<const std::string>(static_cast<const char*>(bytes.getBlob()),
                                                        static_cast<std::size_t>(bytes.getBytes()));
        return contentHash(*mask) == hash ? mask : nullptr;
    };
}

void makeTablesOfFacts(SQLite::Database& sql)
{
    sql.exec(
        "CREATE TABLE IF NOT EXISTS frame_card (frame INTEGER PRIMARY KEY REFERENCES frame(id), "
        "shown INTEGER NOT NULL, left REAL NOT NULL, top REAL NOT NULL, right REAL NOT NULL, bottom REAL NOT NULL, "
        "ratio REAL NOT NULL)");
}

void keepUnreadable(JobFile& file, const std::string& part, const std::string& subject, const std::string& text)
{
    file.run("INSERT INTO unreadable (part, subject, text) VALUES (?, ?, ?)", part, subject, text);
}

std::string groupOf(const Unreadable& u) { return isReadAlone(u.part) ? u.part + " " + u.subject : u.part; }

void setAside(JobFile& file, const std::string& part, const std::vector<const char*>& tables)
{
    for (const char* table : tables) {
        keepUnreadable(file, part, table, rowsAsText(file, table));
        file.run(("DELETE FROM " + std::string(table)).c_str());
    }
    file.run("UPDATE unreadable SET settled = 1 WHERE part = ?", part);
}

Job readJob(const JobFile& file, std::vector<Unreadable>& unreadable)
{
    Job job;
    forRows(file, "SELECT id, name, current FROM look WHERE current IS NOT NULL ORDER BY id", [&](Row& row) {
        LookState& look = job.looks[row.whole()];
        look.name = row.text(), look.revision = row.whole();
    });
    readBalances(file, job, unreadable);
    readAreas(file, job, unreadable);
    for (const Reader& reader : readers())
        try {
            reader.read(file, job);
        } catch (const SQLite::Exception&) {
            throw;  // the table itself cannot be read: a job is not opened without it
        } catch (const std::exception& error) {
            reader.forget(job);
            unreadable.push_back({reader.part, {}, error.what(), true});
        }
    const auto isNamed = [&](const std::string& id) {
        return std::any_of(unreadable.begin(), unreadable.end(), [&](const Unreadable& u) { return u.subject == id; });
    };
    for (const auto& [id, state] : job.frames)
        if (!state.balanceFault.empty() && !isNamed(std::to_string(id)))
            unreadable.push_back({nameOf(Part::Balance), std::to_string(id), state.balanceFault, false});
    forRows(file, "SELECT part, subject FROM unreadable WHERE settled = 0", [&](Row& row) {
        std::string part = row.text();
        if (part != nameOf(Part::Balance))
            unreadable.push_back({std::move(part), row.text(), "what an earlier version kept of it", false});
    });
    std::erase_if(job.frames, [](const auto& entry) { return entry.second == FrameState{}; });
    return job;
}

std::set<std::string> writeJob(JobFile& file, const Job& job, const std::vector<Change>& changes,
                               const std::vector<Unreadable>& unreadable)
{
    std::set<std::string> parts, anew;
    for (const Change& change : changes)
        if (const std::string group = groupOf(change.part, change.subject); parts.insert(group).second) {
            file.run("UPDATE unreadable SET settled = 1 WHERE part = ?", group);
            if (keepWhatCannotBeRead(file, group, unreadable))
                anew.insert(group);
        }
    for (const Change& change : changes)
        write(file, job, change.part, change.subject);
    for (const Change& change : anew.empty() ? std::vector<Change>{} : changesBetween(Job{}, job))
        if (anew.count(groupOf(change.part, change.subject)) > 0)
            write(file, job, change.part, change.subject);
    return parts;
}

void writeWholeJob(JobFile& file, const Job& job)
{
    for (const Change& change : changesBetween(Job{}, job))
        write(file, job, change.part, change.subject);
}

}  // namespace amber
