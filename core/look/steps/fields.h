// One description of a step's fields serves for everything that is done with them: reading, writing, checking, listing.
//
// A struct describes itself by a static function template `fields(visitor, self)` that calls, for each field in order,
//   visitor.number(name, self.x, low, high)   visitor.boolean(name, self.x)   visitor.choice(name, self.x, names)
//   visitor.list(name, self.x, limit)         for a vector of structs that describe themselves
//   visitor.text(name, self.x)   visitor.texts(name, self.x, limit)   words and lists of them, which no step has yet: a
//   step's control row
//                                                                     has no place for them
// `self` is const for the visitors that only read. Such a struct has a member `unknownFields` (JSON text, see
// json_fields.h).
#pragma once

#include "core/look/steps/json_fields.h"

#include <string>
#include <vector>

namespace amber {

/// Writes the fields as a JSON object.
class FieldWriter {
public:
    Json json = Json::object();

    void number(const char* name, double value, double, double) { json[name] = value; }
    void boolean(const char* name, bool value) { json[name] = value; }
    void text(const char* name, const std::string& value) { json[name] = value; }
    void texts(const char* name, const std::vector<std::string>& all, std::size_t) { json[name] = all; }
    template <class Enum, std::size_t N>
    void choice(const char* name, Enum value, const std::array<std::string_view, N>& names)
    {
        json[name] = names[static_cast<std::size_t>(value)];
    }
    template <class T>
    void list(const char* name, const std::vector<T>& all, std::size_t)
    {
        Json entries = Json::array();
        for (const T& entry : all) {
            FieldWriter writer;
            T::fields(writer, entry);
            addUnknown(writer.json, entry.unknownFields);
            entries.push_back(std::move(writer.json));
        }
        json[name] = std::move(entries);
    }
};

/// Finds the first field outside its limits.
class FieldCheck {
public:
    explicit FieldCheck(std::string where) : m_where(std::move(where)) {}

    void number(const char* name, double value, double low, double high)
    {
        if (m_good && !(value >= low && value <= high))
            m_good = fail("value outside its limits", m_where + "." + name, jsonText(low) + " to " + jsonText(high),
                          jsonText(value));
    }
    void boolean(const char*, bool) {}
    void text(const char*, const std::string&) {}
    template <class Enum, std::size_t N>
    void choice(const char*, Enum, const std::array<std::string_view, N>&)
    {
    }
    template <class T>
    void list(const char* name, const std::vector<T>& all, std::size_t limit)
    {
        if (m_good && all.size() > limit)
            m_good = fail("too many entries", m_where + "." + name, "at most " + std::to_string(limit),
                          std::to_string(all.size()));
        for (std::size_t i = 0; i < all.size() && m_good; ++i) {
            FieldCheck inner(m_where + "." + name + "[" + std::to_string(i) + "]");
            T::fields(inner, all[i]);
            m_good = inner.m_good;
        }
    }
    Status status() const { return m_good; }

private:
    std::string m_where;
    Status m_good;
};

/// Reads the fields out of a JSON object; the checks of FieldReader apply.
class FieldParser {
public:
    FieldParser(const Json& json, const std::string& where) : m_reader(json, where) {}

    void number(const char* name, double& value, double low, double high) { m_reader.number(name, value, low, high); }
    void boolean(const char* name, bool& value) { m_reader.boolean(name, value); }
    void text(const char* name, std::string& value) { m_reader.text(name, value); }
    void texts(const char* name, std::vector<std::string>& all, std::size_t limit)
    {
        if (m_reader.find(name))
            all.clear();
        m_reader.list(name, limit, [&](const Json& entry, const std::string& at) -> Status {
            if (!entry.is_string())
                return fail("wrong value", at, "text", entry.type_name());
            all.push_back(entry.get<std::string>());
            return {};
        });
    }
    template <class Enum, std::size_t N>
    void choice(const char* name, Enum& value, const std::array<std::string_view, N>& names)
    {
        m_reader.choice(name, value, names);
    }
    template <class T>
    void list(const char* name, std::vector<T>& all, std::size_t limit)
    {
        if (m_reader.find(name))
            all.clear();
        m_reader.list(name, limit, [&](const Json& entry, const std::string& at) -> Status {
            T value;
            FieldParser inner(entry, at);
            T::fields(inner, value);
            value.unknownFields = inner.unknown();
            all.push_back(std::move(value));
            return inner.status();
        });
    }
    Status status() const { return m_reader.status(); }
    std::string unknown() const { return m_reader.unknown(); }

private:
    FieldReader m_reader;
};

template <class T>
concept DescribesItself = requires(FieldWriter& writer, const T& value)
{
    T::fields(writer, value);
};

template <DescribesItself T>
Json toJson(const T& value)
{
    FieldWriter writer;
    T::fields(writer, value);
    addUnknown(writer.json, value.unknownFields);
    return std::move(writer.json);
}

template <DescribesItself T>
Status validate(const T& value, const std::string& where)
{
    FieldCheck check(where);
    T::fields(check, value);
    return check.status();
}

template <class T>
requires DescribesItself<T> Result<T> parse(const Json& json, const std::string& where)
{
    T value;
    FieldParser parser(json, where);
    T::fields(parser, value);
    if (auto good = parser.status(); !good)
        return tl::make_unexpected(good.error());
    value.unknownFields = parser.unknown();
    return value;
}

}  // namespace amber
