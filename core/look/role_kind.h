// What the name of a role says of its kind.
#pragma once

#include "core/look/role.h"

namespace amber {

/// The first kind whose name is part of it ("evening sky"); else a thing.
inline Role::Kind kindByName(const std::string& name)
{
    for (std::size_t i = 0; i < Role::kKinds.size(); ++i)
        if (name.find(Role::kKinds[i]) != std::string::npos)
            return static_cast<Role::Kind>(i);
    return Role::Kind::Thing;
}

}  // namespace amber
