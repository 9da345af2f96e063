// What the name of a role says of its kind.
#pragma once

#include "core/look/role.h"

#include <algorithm>

namespace amber {

inline std::string lowered(std::string name)
{
    for (char& c : name)
        c = c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
    return name;
}

/// Whether a role means faces: hands are skin as well, and have no face to be found by.
inline bool meansFaces(const std::string& name)
{
    constexpr std::array kWords{"face", "skin", "portrait", "cheek"};
    return std::any_of(kWords.begin(), kWords.end(),
                       [low = lowered(name)](const char* word) { return low.find(word) != low.npos; });
}

/// The first kind whose name is part of it ("evening sky"); a face is skin; else a thing.
inline Role::Kind kindByName(const std::string& name)
{
    const std::string low = lowered(name);
    for (std::size_t i = 0; i < Role::kKinds.size(); ++i)
        if (low.find(Role::kKinds[i]) != low.npos)
            return static_cast<Role::Kind>(i);
    return meansFaces(name) ? Role::Kind::Skin : Role::Kind::Thing;
}

}  // namespace amber
