#include "core/library/library.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/base/own_files.h"
#include "core/image/write.h"
#include "core/look/look_json.h"

#include <algorithm>
#include <cstdlib>
#include <ctime>
#include <fcntl.h>
#include <fstream>
#include <random>
#include <sstream>
#include <unistd.h>

namespace amber {
namespace {

namespace fs = std::filesystem;
constexpr const char* kFormat = "jolly-amber-library";
constexpr std::uintmax_t kFileLimit = std::uintmax_t{256} << 20;
constexpr int kMostVersions = 9999;

std::string now()
{
    const std::time_t seconds = std::time(nullptr);
    std::tm utc{};
    char text[32];
    ::gmtime_r(&seconds, &utc);
    std::strftime(text, sizeof text, "%Y-%m-%d %H:%M:%S", &utc);
    return text;
}

std::string randomName()
{
    std::random_device random;
    return contentHash(std::to_string(random()) + std::to_string(random()) + std::to_string(::getpid())).substr(0, 10);
}

/// Letters and digits of a name, for a folder that people can tell from others.
std::string slugOf(const std::string& name)
{
    std::string slug;
    for (const char c : name)
        if (std::isalnum(static_cast<unsigned char>(c)))
            slug += static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
        else if (!slug.empty() && slug.back() != '-' && slug.size() < 40)
            slug += '-';
    return slug.substr(0, 40);
}

Result<std::string> textOf(const fs::path& file)
{
    std::error_code error;
    const auto bytes = fs::file_size(file, error);
    if (error)
        return fail("cannot be read", file.string(), {}, error.message());
    if (bytes > kFileLimit)
        return fail("too large for a part", file.string(), "at most 256 MiB", std::to_string(bytes));
    std::ifstream in(file, std::ios::binary);
    std::string text{std::istreambuf_iterator<char>(in), {}};
    if (in.bad())
        return fail("cannot be read", file.string());
    return text;
}

std::string fileOf(int version)
{
    char name[16];
    std::snprintf(name, sizeof name, "v%04d", version);
    return name;
}

struct ReadVersion {
    PartKind kind;
    LibraryVersion version;
};

Result<ReadVersion> readVersion(const fs::path& file, int number)
{
    const auto text = textOf(file);
    if (!text)
        return tl::make_unexpected(text.error());
    const Json json = Json::parse(*text, nullptr, false);
    if (!json.is_object() || json.value("format", std::string()) != kFormat || !json.contains("look"))
        return fail("no part of a library", file.string());
    ReadVersion read{PartKind::Look, {}};
    const std::string kind = json.contains("kind") && json["kind"].is_string() ? json["kind"].get<std::string>() : "";
    for (const PartKind known : {PartKind::Look, PartKind::Group, PartKind::Step})
        if (kind == nameOf(known))
            read.kind = known;
    auto look = lookFromText(jsonText(json["look"]), file.filename().string());
    if (!look)
        return tl::make_unexpected(look.error());
    read.version.number = number;
    read.version.look = std::move(look->look);
    for (const auto& [name, to] : {std::pair("kept", &read.version.kept), std::pair("job", &read.version.job)})
        if (json.contains(name) && json[name].is_string())
            *to = json[name].get<std::string>();
    fs::path picture = file;
    picture.replace_extension(".jpg");
    if (std::error_code error; fs::exists(picture, error))
        read.version.picture = picture;
    return read;
}

void readUse(const fs::path& file, LibraryPart& part)
{
    const auto text = textOf(file);
    const Json json = text ? Json::parse(*text, nullptr, false) : Json();
    if (json.is_object() && json.contains("job") && json["job"].is_string())
        part.uses.push_back(
            {json.value("used", std::string()), json["job"].get<std::string>(),
             json.contains("version") && json["version"].is_number_integer() ? json["version"].get<int>() : 0});
}

/// The number in "v0012.json", or 0.
int versionOf(const fs::path& file)
{
    const std::string name = file.filename().string();
    int number = 0, used = 0;
    return std::sscanf(name.c_str(), "v%4d.json%n", &number, &used) == 1 &&
                   static_cast<std::size_t>(used) == name.size()
               ? number
               : 0;
}

void readPart(const fs::path& folder, LibraryContents& contents)
{
    LibraryPart part;
    part.id = folder.filename().string(), part.place = folder.parent_path();
    std::vector<fs::path> files;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(folder, error))
        files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    for (const fs::path& file : files) {
        if (const int number = versionOf(file); number > 0) {
            auto read = readVersion(file, number);
            if (!read) {
                contents.faults.push_back({file, read.error().message()});
                continue;
            }
            part.kind = read->kind;
            part.versions.push_back(std::move(read->version));
        } else if (file.filename().string().rfind("used-", 0) == 0) {
            readUse(file, part);
        }
    }
    std::sort(part.uses.begin(), part.uses.end(), [](const auto& a, const auto& b) { return a.used < b.used; });
    if (!part.versions.empty())
        contents.parts.push_back(std::move(part));
}

std::string lower(std::string text)
{
    std::transform(text.begin(), text.end(), text.begin(), [](unsigned char c) { return std::tolower(c); });
    return text;
}

}  // namespace

const char* nameOf(PartKind kind)
{
    return kind == PartKind::Look ? "look" : kind == PartKind::Group ? "group" : "step";
}

Library::Library(std::vector<fs::path> places) : m_places(std::move(places)) {}

Library Library::ofUser()
{
    std::vector<fs::path> places{userDataFolder() / "library"};
    if (const auto text = textOf(places.front() / "places.txt")) {
        std::istringstream lines(*text);
        for (std::string line; std::getline(lines, line);)
            if (!line.empty())
                places.emplace_back(line);
    }
    return Library(std::move(places));
}

std::vector<LibraryPlace> Library::places() const
{
    std::vector<LibraryPlace> all;
    for (const fs::path& folder : m_places) {
        std::error_code error;
        const bool isThere = fs::is_directory(folder, error);
        const bool isOwn = &folder == &m_places.front();
        all.push_back({folder, isThere ? ::faccessat(AT_FDCWD, folder.c_str(), W_OK, AT_EACCESS) != 0 : !isOwn,
                       isThere || isOwn});
    }
    return all;
}

Status Library::writePlaces() const
{
    std::error_code error;
    fs::create_directories(m_places.front(), error);
    std::string text;
    for (std::size_t i = 1; i < m_places.size(); ++i)
        text += m_places[i].string() + "\n";
    const fs::path file = m_places.front() / "places.txt";
    // The list is this program's own file: the one that was read is what may be replaced.
    AtomicFile list(file, contentHashOfFile(file).value_or(""));
    if (const Status written = list.write(text); !written)
        return written;
    return list.commit();
}

Status Library::addPlace(const fs::path& folder)
{
    std::error_code error;
    if (!fs::is_directory(folder, error))
        return fail("no such folder", folder.string());
    if (std::find(m_places.begin(), m_places.end(), folder) != m_places.end())
        return {};
    m_places.push_back(folder);
    return writePlaces();
}

Status Library::dropPlace(const fs::path& folder)
{
    const auto found = std::find(m_places.begin() + 1, m_places.end(), folder);
    if (found == m_places.end())
        return fail("no place of the library", folder.string());
    m_places.erase(found);
    return writePlaces();
}

LibraryContents Library::read() const
{
    LibraryContents contents;
    contents.places = places();
    for (const fs::path& place : m_places) {
        std::error_code error;
        std::vector<fs::path> folders;
        for (const auto& entry : fs::directory_iterator(place, error))
            if (std::error_code ignored; entry.is_directory(ignored))
                folders.push_back(entry.path());
        if (error && &place != &m_places.front())
            contents.faults.push_back({place, "the folder cannot be read: " + error.message()});
        for (const fs::path& folder : folders)
            readPart(folder, contents);
    }
    std::stable_sort(contents.parts.begin(), contents.parts.end(),
                     [](const LibraryPart& a, const LibraryPart& b) { return lower(a.name()) < lower(b.name()); });
    return contents;
}

Result<std::string> Library::keep(const ToKeep& what)
{
    const fs::path place = what.place.empty() ? m_places.front() : what.place;
    if (std::find(m_places.begin(), m_places.end(), place) == m_places.end())
        return fail("no place of the library", place.string());
    const std::string slug = slugOf(what.look.name);
    const std::string id = what.id.empty() ? slug + (slug.empty() ? "" : "-") + randomName() : what.id;
    const fs::path folder = place / id;
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        return fail("nothing can be kept here", folder.string(), "a folder that can be written to", error.message());
    const Json json{{"format", kFormat},
                    {"kind", nameOf(what.kind)},
                    {"kept", now()},
                    {"job", what.job},
                    {"look", Json::parse(lookToText(what.look, true))}};
    int number = 0;
    for (const auto& entry : fs::directory_iterator(folder, error))
        number = std::max(number, versionOf(entry.path()));
    // Another program may take the number first: its file stands, and this version is the next.
    Status written;
    do {
        const fs::path file = folder / (fileOf(++number) + ".json");
        if (fs::exists(file, error))
            continue;
        written = writeFileAtomically(file, jsonText(json, 1, true) + "\n");
        if (written)
            break;
        if (!fs::exists(file, error))
            return tl::make_unexpected(written.error());
    } while (number < kMostVersions);
    if (!written)
        return tl::make_unexpected(written.error());
    if (!what.picture.isEmpty())
        // A picture that cannot be written is missed, not the look.
        (void)writePicture(folder / (fileOf(number) + ".jpg"), what.picture.view(), {}, {FileFormat::Jpeg}, {});
    return id;
}

void Library::noteUse(const LibraryPart& part, int version, const std::string& job) const
{
    const Json json{{"used", now()}, {"job", job}, {"version", version}};
    (void)writeFileAtomically(part.place / part.id / ("used-" + randomName() + ".json"), jsonText(json) + "\n");
}

std::vector<const LibraryPart*> found(const LibraryContents& contents, const std::string& words)
{
    std::vector<const LibraryPart*> parts;
    for (const LibraryPart& part : contents.parts) {
        const Look& look = part.look();
        std::string all = look.name + "\n" + look.intent + "\n" + look.card.madeFor + "\n" + look.card.limits;
        for (const Step& step : look.steps)
            (all += '\n') += titleOf(step) + "\n" + step.note + "\n" + step.group;
        all = lower(all);
        std::istringstream in(lower(words));
        bool isAll = true;
        for (std::string word; in >> word;)
            isAll = isAll && all.find(word) != all.npos;
        if (isAll)
            parts.push_back(&part);
    }
    return parts;
}

}  // namespace amber
