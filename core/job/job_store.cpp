#include "core/job/job_store.h"

#include "core/base/content_hash.h"
#include "core/base/private_folder.h"
#include "core/look/look_json.h"

#include <SQLiteCpp/Backup.h>
#include <SQLiteCpp/SQLiteCpp.h>
#include <algorithm>
#include <cstdlib>
#include <fcntl.h>
#include <fstream>
#include <map>
#include <set>
#include <stdexcept>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>
#include <utility>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr int kSchemaVersion = 2;
constexpr int kApplicationId = 0x4A41424A;  // "JABJ"

// path: relative to the job's folder, or absolute. seen: absolute, where the picture was last found.
constexpr const char* kFrameTable = R"(
CREATE TABLE frame (id INTEGER PRIMARY KEY, path TEXT NOT NULL, seen TEXT NOT NULL, hash TEXT NOT NULL DEFAULT '', bytes INTEGER NOT NULL DEFAULT 0, fault TEXT NOT NULL DEFAULT '', added TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
)";
constexpr const char* kSchema = R"(
CREATE TABLE look (id INTEGER PRIMARY KEY, name TEXT NOT NULL, current INTEGER REFERENCES revision(id), tip INTEGER REFERENCES revision(id));
CREATE TABLE revision (id INTEGER PRIMARY KEY, look INTEGER NOT NULL REFERENCES look(id), parent INTEGER REFERENCES revision(id), json TEXT NOT NULL, action TEXT NOT NULL, made TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE table_data (hash TEXT PRIMARY KEY, cube TEXT NOT NULL);
CREATE TABLE pin (id INTEGER PRIMARY KEY, look INTEGER NOT NULL REFERENCES look(id), revision INTEGER NOT NULL REFERENCES revision(id), note TEXT NOT NULL, made TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE choice (name TEXT PRIMARY KEY, value TEXT NOT NULL);
)";

/// Whether this user may write there, now.
bool canWrite(const fs::path& path)
{
    return ::faccessat(AT_FDCWD, path.empty() ? "." : path.c_str(), W_OK, AT_EACCESS) == 0;
}

fs::path folderOf(const fs::path& file) { return fs::absolute(file).lexically_normal().parent_path(); }

bool looksLikeAJob(const fs::path& file)
{
    std::ifstream in(file, std::ios::binary);
    char head[72] = {};
    in.read(head, sizeof head);
    return in.gcount() == sizeof head && std::string_view(head, 15) == "SQLite format 3" &&
           std::string_view(head + 68, 4) == "JABJ";
}

fs::path userJobs()
{
    const char* data = std::getenv("XDG_DATA_HOME");
    const char* home = std::getenv("HOME");
    return (data && *data ? fs::path(data) : fs::path(home ? home : "/tmp") / ".local/share") / "jolly-amber/jobs";
}

}  // namespace

/// Held by the one program that may write a job. A killed program's is free at once, as the system lets go of it.
class WriteLock {
public:
    explicit WriteLock(const fs::path& job) : m_path(job.string() + "-lock")
    {
        for (int tries = 0; tries < 3; ++tries) {
            m_file = ::open(m_path.c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0644);
            struct stat now {};
            if (m_file < 0 || ::flock(m_file, LOCK_EX | LOCK_NB) != 0)
                break;
            // Its last owner may have taken the file away between our opening and locking it.
            if (::fstat(m_file, &now) == 0 && now.st_nlink > 0) {
                m_held = true;
                return;
            }
            ::close(std::exchange(m_file, -1));
        }
        m_elsewhere = m_file >= 0;
    }
    ~WriteLock()
    {
        if (m_held)
            ::unlink(m_path.c_str());
        if (m_file >= 0)
            ::close(m_file);
    }
    WriteLock(const WriteLock&) = delete;
    WriteLock& operator=(const WriteLock&) = delete;
    /// Another program has it. A folder that takes no lock file keeps nobody out.
    bool isElsewhere() const { return m_elsewhere; }

private:
    std::string m_path;
    int m_file = -1;
    bool m_held = false, m_elsewhere = false;
};

struct JobStore::Database {
    explicit Database(const fs::path& path)
        : file(path), lock(isWritable(path) ? std::optional<WriteLock>(std::in_place, path) : std::nullopt),
          notKept(!lock                 ? NotKept::CannotBeWritten
                  : lock->isElsewhere() ? NotKept::OpenElsewhere
                                        : NotKept::No),
          sql(notKept == NotKept::No ? path.string() : ":memory:", SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE, 5000)
    {
        // What cannot be kept is done to a copy in memory.
        if (notKept == NotKept::OpenElsewhere) {
            SQLite::Database source(path.string(), SQLite::OPEN_READONLY, 5000);
            SQLite::Backup(sql, source).executeStep();
        } else if (notKept == NotKept::CannotBeWritten) {
            // A log of writes that lies beside the job is part of it; it can be taken in only where something can be
            // written.
            const auto copy = PrivateFolder::make();
            if (!copy)
                throw std::runtime_error("no temporary folder can be made");
            for (const char* part : {"", "-wal"})
                if (fs::exists(path.string() + part))
                    fs::copy_file(path.string() + part, copy->path() / (std::string("job") + part));
            SQLite::Database source((copy->path() / "job").string(), SQLite::OPEN_READWRITE, 5000);
            SQLite::Backup(sql, source).executeStep();
        }
    }
    /// A job is written into its own file and into files beside it.
    static bool isWritable(const fs::path& path)
    {
        std::error_code error;
        const bool exists = fs::exists(path, error);
        return error ? false : exists ? canWrite(path) && canWrite(folderOf(path)) : true;
    }
    fs::path file;
    std::optional<WriteLock> lock;
    NotKept notKept;
    SQLite::Database sql;
    std::map<std::string, std::string> choices;

    void readChoices()
    {
        SQLite::Statement query(sql, "SELECT name, value FROM choice");
        while (query.executeStep())
            choices[query.getColumn(0).getString()] = query.getColumn(1).getString();
    }

    /// Brings a job of format 1, whose pictures were kept by absolute place, up to date.
    void updateFromFormat1()
    {
        const fs::path kept = file.string() + "-format1";
        std::error_code error;
        if (notKept == NotKept::No && !fs::exists(kept, error)) {
            SQLite::Statement copy(sql, "VACUUM INTO ?");
            copy.bind(1, kept.string());
            copy.exec();
        }
        SQLite::Transaction transaction(sql);
        sql.exec("ALTER TABLE frame RENAME TO frame_format1");
        sql.exec(kFrameTable);
        sql.exec("INSERT INTO frame (id, path, seen, hash, fault, added) SELECT id, path, path, hash, fault, added "
                 "FROM frame_format1");
        std::vector<std::pair<std::int64_t, std::string>> places;
        {
            SQLite::Statement query(sql, "SELECT id, path FROM frame");
            while (query.executeStep())
                places.emplace_back(query.getColumn(0).getInt64(), query.getColumn(1).getString());
        }
        SQLite::Statement update(sql, "UPDATE frame SET path = ? WHERE id = ?");
        for (const auto& [id, place] : places) {
            update.bind(1, relativePlace(place));
            update.bind(2, id);
            update.exec();
            update.reset();
        }
        sql.exec("DROP TABLE frame_format1");
        sql.exec("PRAGMA user_version = " + std::to_string(kSchemaVersion));
        transaction.commit();
    }

    /// Relative to the job's folder, unless they have nothing but the root in common.
    std::string relativePlace(const fs::path& place) const
    {
        const fs::path folder = folderOf(file), relative = place.lexically_relative(folder);
        const bool sharesNothing =
            relative.empty() || (folder / relative).lexically_normal() != place ||
            std::distance(folder.begin(), folder.end()) - 1 <= std::count(relative.begin(), relative.end(), "..");
        return sharesNothing ? place.string() : relative.string();
    }

    std::int64_t number(const char* query, std::int64_t key) const
    {
        SQLite::Statement statement(sql, query);
        statement.bind(1, key);
        return statement.executeStep() && !statement.getColumn(0).isNull() ? statement.getColumn(0).getInt64() : 0;
    }
    std::string text(const char* query, std::int64_t key) const
    {
        SQLite::Statement statement(sql, query);
        statement.bind(1, key);
        return statement.executeStep() ? statement.getColumn(0).getString() : std::string();
    }

    void keepTables(const Look& look)
    {
        for (const Step& step : look.steps)
            if (const auto* table = std::get_if<LookupTable>(&step.parameters); table && table->table) {
                SQLite::Statement insert(sql, "INSERT OR IGNORE INTO table_data (hash, cube) VALUES (?, ?)");
                insert.bind(1, table->hash);
                insert.bind(2, tableToText(*table->table));
                insert.exec();
            }
    }

    std::int64_t addRevision(std::int64_t look, std::int64_t parent, const Look& value, const std::string& action)
    {
        keepTables(value);
        SQLite::Statement insert(sql, "INSERT INTO revision (look, parent, json, action) VALUES (?, ?, ?, ?)");
        insert.bind(1, look);
        if (parent)
            insert.bind(2, parent);
        insert.bind(3, lookToText(value, false));
        insert.bind(4, action);
        insert.exec();
        return sql.getLastInsertRowid();
    }

    void point(std::int64_t look, std::int64_t current, std::int64_t tip)
    {
        SQLite::Statement update(sql, "UPDATE look SET current = ?, tip = ? WHERE id = ?");
        update.bind(1, current);
        update.bind(2, tip);
        update.bind(3, look);
        update.exec();
    }

    /// The revision after the current one on the way to the tip, or 0.
    std::int64_t next(std::int64_t look) const
    {
        const std::int64_t current = number("SELECT current FROM look WHERE id = ?", look);
        std::int64_t at = number("SELECT tip FROM look WHERE id = ?", look);
        while (at && at != current) {
            const std::int64_t parent = number("SELECT parent FROM revision WHERE id = ?", at);
            if (parent == current)
                return at;
            at = parent;
        }
        return 0;
    }
};

namespace {

/// Runs `work` and turns SQLite's exceptions into errors that name the job file.
template <class Work>
auto guarded(const fs::path& file, Work&& work) -> Result<decltype(work())>
{
    try {
        if constexpr (std::is_void_v<decltype(work())>) {
            work();
            return {};
        } else {
            return work();
        }
    } catch (const std::exception& error) {
        return fail("the job cannot be used: " + std::string(error.what()), file.string());
    }
}

}  // namespace

JobStore::JobStore(std::unique_ptr<Database> database) : m_database(std::move(database)) {}
JobStore::JobStore(JobStore&&) noexcept = default;
JobStore& JobStore::operator=(JobStore&&) noexcept = default;
JobStore::~JobStore() = default;
const fs::path& JobStore::file() const { return m_database->file; }
JobStore::NotKept JobStore::notKept() const { return m_database->notKept; }

Result<JobStore> JobStore::open(const fs::path& file)
{
    try {
        auto database = std::make_unique<Database>(file);
        SQLite::Database& sql = database->sql;
        const int application = sql.execAndGet("PRAGMA application_id").getInt();
        const int version = sql.execAndGet("PRAGMA user_version").getInt();
        const bool fresh = sql.execAndGet("SELECT count(*) FROM sqlite_master").getInt() == 0;
        if (!fresh && application != kApplicationId)
            return fail("not a job of this program", file.string());
        if (version > kSchemaVersion)
            return fail("the job was written by a newer version", file.string(),
                        "format " + std::to_string(kSchemaVersion) + " or older", std::to_string(version));
        sql.exec("PRAGMA journal_mode = WAL");
        sql.exec("PRAGMA synchronous = FULL");
        sql.exec("PRAGMA foreign_keys = ON");
        if (fresh) {
            SQLite::Transaction transaction(sql);
            sql.exec(kFrameTable);
            sql.exec(kSchema);
            sql.exec("PRAGMA application_id = " + std::to_string(kApplicationId));
            sql.exec("PRAGMA user_version = " + std::to_string(kSchemaVersion));
            transaction.commit();
        } else if (version < 2) {
            database->updateFromFormat1();
        }
        database->readChoices();
        return JobStore(std::move(database));
    } catch (const std::exception& error) {
        return fail("the job cannot be opened: " + std::string(error.what()), file.string());
    }
}

std::vector<fs::path> JobStore::jobsInFolder(const fs::path& folder)
{
    const fs::path absolute = fs::absolute(folder / "").lexically_normal().parent_path();
    std::vector<std::pair<fs::file_time_type, fs::path>> found;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(absolute, error)) {
        std::error_code ignored;
        if (entry.path().extension() == ".amberjob" && entry.is_regular_file(ignored) && looksLikeAJob(entry.path())) {
            const auto log = fs::last_write_time(entry.path().string() + "-wal", ignored);
            const bool hasLog = !ignored;
            const auto itself = fs::last_write_time(entry.path(), ignored);
            found.emplace_back(hasLog ? std::max(log, itself) : itself, entry.path());
        }
    }
    const auto isNamesake = [&](const fs::path& job) { return job.stem() == absolute.filename(); };
    std::sort(found.begin(), found.end(), [&](const auto& p, const auto& q) {
        if (isNamesake(p.second) != isNamesake(q.second))
            return isNamesake(p.second);
        return p.first != q.first ? p.first > q.first : p.second < q.second;
    });
    std::vector<fs::path> jobs;
    for (auto& [when, job] : found)
        jobs.push_back(std::move(job));
    return jobs;
}

fs::path JobStore::fileForFolder(const fs::path& folder)
{
    if (const auto jobs = jobsInFolder(folder); !jobs.empty())
        return jobs.front();
    const fs::path absolute = fs::absolute(folder / "").lexically_normal().parent_path();
    const std::string name = absolute.filename().empty() ? std::string("pictures") : absolute.filename().string();
    if (canWrite(absolute))
        return absolute / (name + ".amberjob");
    std::error_code ignored;
    fs::create_directories(userJobs(), ignored);
    return userJobs() / (name + "-" + contentHash(absolute.string()).substr(0, 12) + ".amberjob");
}

Status JobStore::addFrames(const std::vector<fs::path>& paths)
{
    const auto known = frames();
    if (!known)
        return tl::make_unexpected(known.error());
    return guarded(file(), [&] {
        std::set<fs::path> places;
        for (const Frame& frame : *known)
            places.insert(frame.path);
        SQLite::Transaction transaction(m_database->sql);
        SQLite::Statement insert(m_database->sql, "INSERT INTO frame (path, seen, bytes) VALUES (?, ?, 0)");
        for (const fs::path& path : paths) {
            const fs::path absolute = fs::absolute(path).lexically_normal();
            if (!places.insert(absolute).second)
                continue;
            insert.bind(1, m_database->relativePlace(absolute));
            insert.bind(2, absolute.string());
            insert.exec();
            insert.reset();
        }
        transaction.commit();
    });
}

Result<std::vector<Frame>> JobStore::frames() const
{
    return guarded(file(), [&] {
        std::vector<Frame> all;
        std::set<fs::path> taken;
        std::error_code error;
        SQLite::Statement query(m_database->sql, "SELECT id, path, seen, hash, fault, bytes FROM frame ORDER BY id");
        while (query.executeStep()) {
            const std::string kept = query.getColumn(1).getString();
            const fs::path place = placeOf(kept), seen = query.getColumn(2).getString();
            Frame frame{query.getColumn(0).getInt64(),
                        place,
                        query.getColumn(3).getString(),
                        query.getColumn(4).getString(),
                        static_cast<std::uintmax_t>(query.getColumn(5).getInt64()),
                        false};
            // A picture that is nowhere is lost, and so is one whose place another frame has.
            if (kept.empty() || !fs::exists(place, error)) {
                frame.path = seen;
                frame.isLost = kept.empty() || !fs::exists(seen, error);
            }
            if (!frame.isLost && !taken.insert(frame.path).second)
                frame.isLost = true;
            // Another picture may have its name now: that one must not be read in its stead.
            if (frame.isLost && fs::exists(frame.path, error))
                frame.path = frame.path.parent_path() / "lost" / frame.path.filename();
            all.push_back(std::move(frame));
        }
        return all;
    });
}

std::string JobStore::keptPlace(const fs::path& place) const
{
    const fs::path absolute = fs::absolute(place).lexically_normal(),
                   relative = absolute.lexically_relative(folderOf(file()));
    return relative.empty() || *relative.begin() == ".." ? absolute.string() : relative.string();
}

fs::path JobStore::placeOf(const std::string& kept) const
{
    if (kept.empty())
        return {};
    const fs::path place = (folderOf(file()) / kept).lexically_normal();
    return place.has_filename() ? place : place.parent_path();
}

namespace {
void setFrameText(SQLite::Database& sql, const char* update, std::int64_t frame, const std::string& value)
{
    SQLite::Statement statement(sql, update);
    statement.bind(1, value);
    statement.bind(2, frame);
    statement.exec();
}
}  // namespace

Status JobStore::setFrameContents(const std::vector<Content>& contents)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        SQLite::Statement update(m_database->sql, "UPDATE frame SET hash = ?, bytes = ? WHERE id = ?");
        for (const Content& c : contents) {
            update.bind(1, c.hash);
            update.bind(2, static_cast<std::int64_t>(c.bytes));
            update.bind(3, c.frame);
            update.exec();
            update.reset();
        }
        transaction.commit();
    });
}

Status JobStore::moveFrames(const std::vector<std::pair<std::int64_t, fs::path>>& places)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        for (const auto& [frame, place] : places) {
            const fs::path absolute = fs::absolute(place).lexically_normal();
            setFrameText(m_database->sql, "UPDATE frame SET path = ? WHERE id = ?", frame,
                         m_database->relativePlace(absolute));
            setFrameText(m_database->sql, "UPDATE frame SET seen = ?, fault = '' WHERE id = ?", frame,
                         absolute.string());
        }
        transaction.commit();
    });
}

Status JobStore::loseFrames(const std::vector<std::int64_t>& frames)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        for (const std::int64_t frame : frames)
            setFrameText(m_database->sql, "UPDATE frame SET path = ? WHERE id = ?", frame, "");
        transaction.commit();
    });
}

Status JobStore::setFrameFault(std::int64_t frame, const std::string& fault)
{
    return guarded(file(),
                   [&] { setFrameText(m_database->sql, "UPDATE frame SET fault = ? WHERE id = ?", frame, fault); });
}

Result<std::int64_t> JobStore::addLook(const Look& look)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        SQLite::Statement insert(m_database->sql, "INSERT INTO look (name) VALUES (?)");
        insert.bind(1, look.name);
        insert.exec();
        const std::int64_t id = m_database->sql.getLastInsertRowid();
        const std::int64_t revision = m_database->addRevision(id, 0, look, "Look made");
        m_database->point(id, revision, revision);
        transaction.commit();
        return id;
    });
}

Result<std::vector<LookEntry>> JobStore::looks() const
{
    return guarded(file(), [&] {
        std::vector<LookEntry> all;
        SQLite::Statement query(m_database->sql, "SELECT id, name FROM look ORDER BY id");
        while (query.executeStep())
            all.push_back({query.getColumn(0).getInt64(), query.getColumn(1).getString()});
        return all;
    });
}

Result<std::int64_t> JobStore::currentRevision(std::int64_t look) const
{
    return guarded(file(), [&] { return m_database->number("SELECT current FROM look WHERE id = ?", look); });
}

Result<Look> JobStore::currentLook(std::int64_t look) const
{
    const auto revision = currentRevision(look);
    if (!revision)
        return tl::make_unexpected(revision.error());
    return lookAt(*revision);
}

Result<Look> JobStore::lookAt(std::int64_t revision) const
{
    const auto json =
        guarded(file(), [&] { return m_database->text("SELECT json FROM revision WHERE id = ?", revision); });
    if (!json)
        return tl::make_unexpected(json.error());
    if (json->empty())
        return fail("the job has no such revision", file().string(), {}, std::to_string(revision));
    auto loaded = lookFromText(*json, "revision " + std::to_string(revision));
    if (!loaded)
        return tl::make_unexpected(loaded.error());
    for (Step& step : loaded->look.steps)
        if (auto* table = std::get_if<LookupTable>(&step.parameters); table && !table->hash.empty()) {
            const auto cube = guarded(file(), [&] {
                SQLite::Statement query(m_database->sql, "SELECT cube FROM table_data WHERE hash = ?");
                query.bind(1, table->hash);
                return query.executeStep() ? query.getColumn(0).getString() : std::string();
            });
            if (!cube)
                return tl::make_unexpected(cube.error());
            auto parsed = tableFromText(*cube, table->name);
            if (!parsed)
                return fail("the table “" + table->name + "” of the look cannot be read: " +
                                (cube->empty() ? "it is not in the job" : parsed.error().message()),
                            file().string());
            table->table = std::make_shared<const Table>(std::move(*parsed));
        }
    return std::move(loaded->look);
}

Result<std::int64_t> JobStore::lastGoodRevision(std::int64_t look) const
{
    const auto current = currentRevision(look);
    if (!current)
        return current;
    for (std::int64_t at = *current; at != 0;) {
        if (at != *current && lookAt(at))
            return at;
        const auto parent =
            guarded(file(), [&] { return m_database->number("SELECT parent FROM revision WHERE id = ?", at); });
        // Where the chain itself is broken, the one written before is the next best.
        if (!parent)
            return parent;
        at = *parent < at ? *parent : 0;
    }
    return std::int64_t{0};
}

Status JobStore::commit(std::int64_t look, const Look& value, const std::string& action)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        const std::int64_t parent = m_database->number("SELECT current FROM look WHERE id = ?", look);
        const std::int64_t revision = m_database->addRevision(look, parent, value, action);
        m_database->point(look, revision, revision);
        setFrameText(m_database->sql, "UPDATE look SET name = ? WHERE id = ?", look, value.name);
        transaction.commit();
    });
}

std::optional<std::string> JobStore::undoAction(std::int64_t look) const
{
    const auto action = guarded(file(), [&]() -> std::optional<std::string> {
        const std::int64_t current = m_database->number("SELECT current FROM look WHERE id = ?", look);
        if (!m_database->number("SELECT parent FROM revision WHERE id = ?", current))
            return std::nullopt;
        return m_database->text("SELECT action FROM revision WHERE id = ?", current);
    });
    return action ? *action : std::nullopt;
}

std::optional<std::string> JobStore::redoAction(std::int64_t look) const
{
    const auto action = guarded(file(), [&]() -> std::optional<std::string> {
        const std::int64_t next = m_database->next(look);
        return next ? std::optional(m_database->text("SELECT action FROM revision WHERE id = ?", next)) : std::nullopt;
    });
    return action ? *action : std::nullopt;
}

Status JobStore::undo(std::int64_t look)
{
    return guarded(file(), [&] {
        const std::int64_t current = m_database->number("SELECT current FROM look WHERE id = ?", look);
        const std::int64_t parent = m_database->number("SELECT parent FROM revision WHERE id = ?", current);
        if (parent)
            m_database->point(look, parent, m_database->number("SELECT tip FROM look WHERE id = ?", look));
    });
}

Status JobStore::redo(std::int64_t look)
{
    return guarded(file(), [&] {
        if (const std::int64_t next = m_database->next(look))
            m_database->point(look, next, m_database->number("SELECT tip FROM look WHERE id = ?", look));
    });
}

Status JobStore::pin(std::int64_t look, const std::string& note)
{
    return guarded(file(), [&] {
        SQLite::Statement insert(m_database->sql,
                                 "INSERT INTO pin (look, revision, note) SELECT id, current, ? FROM look WHERE id = ?");
        insert.bind(1, note);
        insert.bind(2, look);
        insert.exec();
    });
}

Status JobStore::pinVariant(std::int64_t look, const Look& value, const std::string& note)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        const std::int64_t revision = m_database->addRevision(
            look, m_database->number("SELECT current FROM look WHERE id = ?", look), value, note);
        SQLite::Statement insert(m_database->sql, "INSERT INTO pin (look, revision, note) VALUES (?, ?, ?)");
        insert.bind(1, look);
        insert.bind(2, revision);
        insert.bind(3, note);
        insert.exec();
        transaction.commit();
    });
}

Result<std::vector<PinnedVersion>> JobStore::pins(std::int64_t look) const
{
    return guarded(file(), [&] {
        std::vector<PinnedVersion> all;
        SQLite::Statement query(m_database->sql, "SELECT id, revision, note, made FROM pin WHERE look = ? ORDER BY id");
        query.bind(1, look);
        while (query.executeStep())
            all.push_back({query.getColumn(0).getInt64(), query.getColumn(1).getInt64(), query.getColumn(2).getString(),
                           query.getColumn(3).getString()});
        return all;
    });
}

Status JobStore::setChoice(const std::string& name, const std::string& value) { return setChoices({{name, value}}); }

Status JobStore::setChoices(const std::vector<std::pair<std::string, std::string>>& choices)
{
    const Status written = guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        SQLite::Statement insert(
            m_database->sql,
            "INSERT INTO choice (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value");
        for (const auto& [name, value] : choices) {
            insert.bind(1, name);
            insert.bind(2, value);
            insert.exec();
            insert.reset();
        }
        transaction.commit();
    });
    if (written)
        for (const auto& [name, value] : choices)
            m_database->choices[name] = value;
    return written;
}

std::string JobStore::choice(const std::string& name) const
{
    const auto found = m_database->choices.find(name);
    return found == m_database->choices.end() ? std::string() : found->second;
}

}  // namespace amber
