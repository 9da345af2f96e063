// By what looks know a picture.
#pragma once

#include <string>
#include <vector>

namespace amber {

/// By what looks know a picture: a name of its own, always the same, the sets it belongs to, the nearest first, and the
/// kinds of steps that its pixels went through already, in their order.
struct PictureName {
    std::string own;
    std::vector<std::string> sets;
    std::vector<std::string> inside = {};
    PictureName() = default;
    PictureName(std::string name, std::vector<std::string> ofSets = {}) : own(std::move(name)), sets(std::move(ofSets))
    {
    }
    PictureName(const char* name) : own(name) {}
    bool operator==(const PictureName&) const = default;
};

}  // namespace amber
