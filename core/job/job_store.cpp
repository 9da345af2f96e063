#include "core/job/job_store.h"

#include "core/base/content_hash.h"
#include "core/look/look_json.h"

#include <SQLiteCpp/Backup.h>
#include <SQLiteCpp/SQLiteCpp.h>
#include <cstdlib>
#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>
#include <utility>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr int kSchemaVersion = 1;
constexpr int kApplicationId = 0x4A41424A;  // "JABJ"

constexpr const char* kSchema = R"(
CREATE TABLE frame (id INTEGER PRIMARY KEY, path TEXT NOT NULL UNIQUE, hash TEXT NOT NULL DEFAULT '', fault TEXT NOT NULL DEFAULT '', added TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE look (id INTEGER PRIMARY KEY, name TEXT NOT NULL, current INTEGER REFERENCES revision(id), tip INTEGER REFERENCES revision(id));
CREATE TABLE revision (id INTEGER PRIMARY KEY, look INTEGER NOT NULL REFERENCES look(id), parent INTEGER REFERENCES revision(id), json TEXT NOT NULL, action TEXT NOT NULL, made TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE table_data (hash TEXT PRIMARY KEY, cube TEXT NOT NULL);
CREATE TABLE pin (id INTEGER PRIMARY KEY, look INTEGER NOT NULL REFERENCES look(id), revision INTEGER NOT NULL REFERENCES revision(id), note TEXT NOT NULL, made TEXT NOT NULL DEFAULT CURRENT_TIMESTAMP);
CREATE TABLE choice (name TEXT PRIMARY KEY, value TEXT NOT NULL);
)";

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
    explicit Database(const fs::path& path) : file(path), lock(path), sql(lock.isElsewhere() ? ":memory:" : path.string(), SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE, 5000)
    {
        if (!lock.isElsewhere())
            return;
        // Somebody else writes it: what is done here is done to a copy in memory.
        SQLite::Database source(path.string(), SQLite::OPEN_READONLY, 5000);
        SQLite::Backup(sql, source).executeStep();
    }
    fs::path file;
    WriteLock lock;
    SQLite::Database sql;

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
bool JobStore::isReadOnly() const { return m_database->lock.isElsewhere(); }

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
            return fail("the job was written by a newer version", file.string(), "format " + std::to_string(kSchemaVersion) + " or older", std::to_string(version));
        sql.exec("PRAGMA journal_mode = WAL");
        sql.exec("PRAGMA synchronous = FULL");
        sql.exec("PRAGMA foreign_keys = ON");
        if (fresh) {
            SQLite::Transaction transaction(sql);
            sql.exec(kSchema);
            sql.exec("PRAGMA application_id = " + std::to_string(kApplicationId));
            sql.exec("PRAGMA user_version = " + std::to_string(kSchemaVersion));
            transaction.commit();
        }
        return JobStore(std::move(database));
    } catch (const std::exception& error) {
        return fail("the job cannot be opened: " + std::string(error.what()), file.string());
    }
}

fs::path JobStore::fileForFolder(const fs::path& folder)
{
    const fs::path absolute = fs::absolute(folder).lexically_normal();
    const std::string name = absolute.filename().empty() ? absolute.parent_path().filename().string() : absolute.filename().string();
    const fs::path inside = absolute / ((name.empty() ? std::string("pictures") : name) + ".amberjob");
    if (::access(absolute.c_str(), W_OK) == 0)
        return inside;
    const char* data = std::getenv("XDG_DATA_HOME");
    const char* home = std::getenv("HOME");
    const fs::path base = data && *data ? fs::path(data) : fs::path(home ? home : "/tmp") / ".local/share";
    std::error_code ignored;
    fs::create_directories(base / "jolly-amber/jobs", ignored);
    return base / "jolly-amber/jobs" / (name + "-" + contentHash(absolute.string()).substr(0, 12) + ".amberjob");
}

Status JobStore::addFrames(const std::vector<fs::path>& paths)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        SQLite::Statement insert(m_database->sql, "INSERT OR IGNORE INTO frame (path) VALUES (?)");
        for (const fs::path& path : paths) {
            insert.bind(1, fs::absolute(path).lexically_normal().string());
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
        SQLite::Statement query(m_database->sql, "SELECT id, path, hash, fault FROM frame ORDER BY id");
        while (query.executeStep())
            all.push_back({query.getColumn(0).getInt64(), query.getColumn(1).getString(), query.getColumn(2).getString(), query.getColumn(3).getString()});
        return all;
    });
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

Status JobStore::setFrameHashes(const std::vector<std::pair<std::int64_t, std::string>>& hashes)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        for (const auto& [frame, hash] : hashes)
            setFrameText(m_database->sql, "UPDATE frame SET hash = ? WHERE id = ?", frame, hash);
        transaction.commit();
    });
}

Status JobStore::setFrameFault(std::int64_t frame, const std::string& fault)
{
    return guarded(file(), [&] { setFrameText(m_database->sql, "UPDATE frame SET fault = ? WHERE id = ?", frame, fault); });
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
    const auto json = guarded(file(), [&] { return m_database->text("SELECT json FROM revision WHERE id = ?", revision); });
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
            if (auto parsed = tableFromText(*cube, table->name))
                table->table = std::make_shared<const Table>(std::move(*parsed));
        }
    return std::move(loaded->look);
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
        SQLite::Statement insert(m_database->sql, "INSERT INTO pin (look, revision, note) SELECT id, current, ? FROM look WHERE id = ?");
        insert.bind(1, note);
        insert.bind(2, look);
        insert.exec();
    });
}

Status JobStore::pinVariant(std::int64_t look, const Look& value, const std::string& note)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        const std::int64_t revision = m_database->addRevision(look, m_database->number("SELECT current FROM look WHERE id = ?", look), value, note);
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
            all.push_back({query.getColumn(0).getInt64(), query.getColumn(1).getInt64(), query.getColumn(2).getString(), query.getColumn(3).getString()});
        return all;
    });
}

Status JobStore::setChoice(const std::string& name, const std::string& value) { return setChoices({{name, value}}); }

Status JobStore::setChoices(const std::vector<std::pair<std::string, std::string>>& choices)
{
    return guarded(file(), [&] {
        SQLite::Transaction transaction(m_database->sql);
        SQLite::Statement insert(m_database->sql, "INSERT INTO choice (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value");
        for (const auto& [name, value] : choices) {
            insert.bind(1, name);
            insert.bind(2, value);
            insert.exec();
            insert.reset();
        }
        transaction.commit();
    });
}

std::string JobStore::choice(const std::string& name) const
{
    const auto value = guarded(file(), [&] {
        SQLite::Statement query(m_database->sql, "SELECT value FROM choice WHERE name = ?");
        query.bind(1, name);
        return query.executeStep() ? query.getColumn(0).getString() : std::string();
    });
    return value ? *value : std::string();
}

}  // namespace amber
