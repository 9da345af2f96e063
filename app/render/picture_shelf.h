// Pictures by name: those last used in memory, the others in a file in the user's cache folder that is gone with the
// program. Any thread may use it.
#pragma once

#include "core/base/shelf.h"

#include <QImage>
#include <limits>

namespace amber {

class PictureShelf {
public:
    /// Where such files lie.
    static std::filesystem::path folder();

    /// Bytes that may stay in memory, and in all: beyond it what was not used for longest is dropped.
    explicit PictureShelf(std::size_t inMemory, std::size_t inAll = std::numeric_limits<std::size_t>::max())
        : m_shelf(folder(), inMemory, inAll)
    {
    }

    void put(const std::string& name, const QImage& image);
    /// Null: there is none.
    QImage picture(const std::string& name);
    bool has(const std::string& name) const { return m_shelf.has(name); }
    void drop(const std::string& name) { m_shelf.drop(name); }
    void clear() { m_shelf.clear(); }

private:
    Shelf m_shelf;
};

}  // namespace amber
