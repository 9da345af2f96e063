#include "core/settings/settings.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/base/json_text.h"
#include "core/base/own_files.h"

#include <algorithm>
#include <cerrno>
#include <unistd.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr std::size_t kLargest = 1 << 20;
constexpr const char* kFormat = "jolly-amber-settings";

/// Takes fields out of an object and notes those that are of another kind.
class Fields {
public:
    explicit Fields(const Json& json) : m_json(json) {}
    template <class T, class Good>
    void take(const char* name, T& value, const Good& isGood)
    {
        const auto found = m_json.find(name);
        if (found == m_json.end())
            return;
        if (isGood(*found))
            value = found->get<T>();
        else
            m_wrong += m_wrong.empty() ? name : std::string(", ") + name;
    }
    const std::string& wrong() const { return m_wrong; }

private:
    const Json& m_json;
    std::string m_wrong;
};

bool areTexts(const Json& json)
{
    return json.is_object() && std::all_of(json.begin(), json.end(), [](const Json& v) { return v.is_string(); });
}

/// What of it is wrong.
std::string takeAll(const Json& json, Settings& s)
{
    Fields fields(json);
    const auto isText = [](const Json& v) { return v.is_string(); };
    const auto isYesOrNo = [](const Json& v) { return v.is_boolean(); };
    fields.take("inches", s.inches, isYesOrNo);
    fields.take("author", s.author, isText);
    fields.take("rights", s.rights, isText);
    fields.take("restMinutes", s.restMinutes, [](const Json& v) {
        return v.is_number_integer() && v.get<std::int64_t>() >= 0 && v.get<std::int64_t>() <= Settings::kLongestRest;
    });
    fields.take("secondLook", s.secondLook, isYesOrNo);
    fields.take("scalePercent", s.scalePercent, [](const Json& v) {
        return v.is_number_integer() && v.get<std::int64_t>() >= 100 &&
               v.get<std::int64_t>() <= Settings::kLargestScale;
    });
    fields.take("still", s.isStill, isYesOrNo);
    fields.take("keys", s.keys, areTexts);
    return fields.wrong();
}

/// A second name and the first taken away: no file of the new name is ever replaced.
fs::path putAside(const fs::path& file)
{
    for (int n = 1;; ++n) {
        const fs::path aside =
            file.parent_path() / (file.stem().string() + "-damaged-" + std::to_string(n) + file.extension().string());
        if (::link(file.c_str(), aside.c_str()) == 0) {
            ::unlink(file.c_str());
            return aside;
        }
        if (errno != EEXIST)
            return {};
    }
}

}  // namespace

fs::path settingsFile() { return userConfigFolder() / "settings.json"; }

ReadSettings readSettings(const fs::path& file)
{
    ReadSettings read;
    std::error_code error;
    if (!fs::exists(file, error))
        return read;
    std::string wrong;
    if (const auto bytes = readWholeFile(file, kLargest); !bytes) {
        read.fault = bytes.error().message();
        return read;
    } else if (const Json json = Json::parse(*bytes, nullptr, false);
               !json.is_object() || json.value("format", Json()) != kFormat) {
        wrong = "no settings are in it";
    } else if (const std::string fields = takeAll(json, read.settings); !fields.empty()) {
        wrong = "wrong in it: " + fields;
    }
    if (wrong.empty())
        return read;
    const fs::path aside = putAside(file);
    read.fault = file.string() + ": " + wrong +
                 (aside.empty() ? std::string() : "; it was put aside as " + aside.filename().string());
    return read;
}

Status writeSettings(const fs::path& file, const Settings& s)
{
    Json json = Json::object();
    std::string before;
    std::error_code error;
    if (fs::exists(file, error)) {
        const auto bytes = readWholeFile(file, kLargest);
        if (!bytes)
            return tl::make_unexpected(bytes.error());
        before = contentHash(*bytes);
        if (Json there = Json::parse(*bytes, nullptr, false); there.is_object())
            json = std::move(there);
    }
    json["format"] = kFormat;
    json["inches"] = s.inches;
    json["author"] = s.author;
    json["rights"] = s.rights;
    json["restMinutes"] = s.restMinutes;
    json["secondLook"] = s.secondLook;
    json["scalePercent"] = s.scalePercent;
    json["still"] = s.isStill;
    json["keys"] = s.keys;
    fs::create_directories(file.parent_path(), error);
    AtomicFile to(file, before);
    if (const Status written = to.write(jsonText(json, 1, true) + "\n"); !written)
        return written;
    return to.commit();
}

}  // namespace amber
