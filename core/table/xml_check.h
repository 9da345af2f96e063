// A first look at the XML of table files, before a general library reads it.
#pragma once

#include "core/base/result.h"

#include <map>
#include <set>
#include <string>
#include <string_view>

namespace amber {

/// What the text of an element must be.
struct NumberRule {
    std::size_t most;         ///< numbers in it
    std::size_t exactly = 0;  ///< 0: as many as its dim says, or any
    double least = -1e30;
    bool aboveLeast = false;  ///< more than `least`, not equal
};

struct XmlRules {
    std::map<std::string, NumberRule, std::less<>> numbers;  ///< by the name of the element
    std::set<std::string, std::less<>> roots;                ///< what the outermost element may be
    std::set<std::string, std::less<>> elements;             ///< every element there may be; empty: any
    std::map<std::string, std::string, std::less<>> needed;  ///< by the name of an element: what must stand in it
};

/// Walks the tags: they nest and close, no deeper than 32; no document type, no entity beyond the five of XML. Inside
/// the elements named, every word is a finite number; with an attribute dim="a b c n" or dim="a n" there are exactly as
/// many as it says, at most the rule's, and no edge of a cube over the limit of table.h; there is always one. Errors
/// carry the line. Returns the name of the outermost element.
Result<std::string> checkXml(std::string_view text, const std::string& name, const XmlRules& rules);

}  // namespace amber
