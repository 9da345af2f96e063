// Small shared vocabulary for reading and writing the fields of looks. Readers report what is wrong and where.
#pragma once

#include "core/base/json_text.h"
#include "core/base/result.h"

#include <cmath>
#include <set>

namespace amber {

/// Reads named fields of one object; remembers which were known, so that the others can be kept. The first fault wins.
class FieldReader {
public:
    FieldReader(const Json& object, std::string where) : m_object(object), m_where(std::move(where))
    {
        if (!object.is_object())
            wrong("", "an object", object.type_name());
    }

    void number(const char* name, double& target, double low, double high)
    {
        if (const Json* v = find(name))
            readNumber(*v, name, target, low, high);
    }
    void boolean(const char* name, bool& target)
    {
        if (const Json* v = find(name)) {
            if (v->is_boolean())
                target = v->get<bool>();
            else
                wrong(name, "true or false", v->type_name());
        }
    }
    void text(const char* name, std::string& target)
    {
        if (const Json* v = find(name)) {
            if (v->is_string())
                target = v->get<std::string>();
            else
                wrong(name, "text", v->type_name());
        }
    }
    /// An enumeration stored as one of `names`.
    template <class Enum, std::size_t N>
    void choice(const char* name, Enum& target, const std::array<std::string_view, N>& names)
    {
        const Json* v = find(name);
        if (!v)
            return;
        for (std::size_t i = 0; v->is_string() && i < N; ++i)
            if (names[i] == v->get<std::string>()) {
                target = static_cast<Enum>(i);
                return;
            }
        std::string all;
        for (std::size_t i = 0; i < N; ++i)
            all += (i ? ", " : "") + std::string(names[i]);
        wrong(name, "one of " + all, v->dump());
    }
    /// A list; `read(entry, where)` is called for each and returns a Status.
    template <class Read>
    void list(const char* name, std::size_t limit, Read&& read)
    {
        const Json* v = find(name);
        if (!v)
            return;
        if (!v->is_array() || v->size() > limit)
            return wrong(name, "a list of at most " + std::to_string(limit),
                         v->is_array() ? std::to_string(v->size()) : v->type_name());
        for (std::size_t i = 0; i < v->size() && m_good; ++i)
            if (auto done = read((*v)[i], m_where + "." + name + "[" + std::to_string(i) + "]"); !done)
                m_good = tl::make_unexpected(done.error());
    }
    const Json* find(const char* name)
    {
        m_known.insert(name);
        if (!m_good || !m_object.contains(name))
            return nullptr;
        return &m_object[name];
    }
    void wrong(const std::string& name, std::string expected, std::string found)
    {
        if (m_good)
            m_good = fail("wrong value", name.empty() ? m_where : m_where + "." + name, std::move(expected),
                          found.substr(0, 80));
    }
    void readNumber(const Json& v, const std::string& name, double& target, double low, double high)
    {
        if (!v.is_number() || !std::isfinite(v.get<double>()) || v.get<double>() < low || v.get<double>() > high)
            return wrong(name, "a number from " + jsonText(low) + " to " + jsonText(high), jsonText(v));
        target = v.get<double>();
    }

    Status status() const { return m_good; }
    /// The fields nobody asked for, as JSON text; empty when there are none.
    std::string unknown() const
    {
        Json rest = Json::object();
        if (m_object.is_object())
            for (const auto& [name, value] : m_object.items())
                if (!m_known.count(name))
                    rest[name] = value;
        return rest.empty() ? std::string() : jsonText(rest);
    }

private:
    const Json& m_object;
    std::string m_where;
    std::set<std::string> m_known;
    Status m_good;
};

/// A step from its JSON: generic for steps that describe themselves (fields.h), specialised by the others.
template <class T>
Result<T> parse(const Json& json, const std::string& where);

/// Puts fields kept by FieldReader::unknown back.
inline void addUnknown(Json& object, const std::string& unknown)
{
    if (unknown.empty())
        return;
    const Json fields = Json::parse(unknown);
    for (const auto& [name, value] : fields.items())
        object[name] = value;
}

}  // namespace amber
