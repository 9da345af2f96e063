// One thing under another over as many pages as it takes, each with a foot and its number.
#pragma once

#include "core/page/pages.h"

namespace amber {

class Column {
public:
    Column(Pages& pages, std::string foot) : m_pages(pages), m_foot(std::move(foot)) { begin(); }

    static constexpr double kMargin = 48, kFoot = 40;
    Pages& pages() { return m_pages; }
    double width() const { return m_pages.width() - 2 * kMargin; }
    double y() const { return m_y; }
    void skip(double by) { m_y += by; }
    /// Height that is left on this page.
    double left() const { return m_pages.height() - kMargin - kFoot - m_y; }
    /// Room for something of this height, here or on a page of its own.
    void need(double height)
    {
        if (height > left())
            m_pages.nextPage(), begin();
    }
    void text(const std::string& words, const Pages::TextStyle& style, double indent = 0);
    void line()
    {
        m_pages.line(kMargin, m_y, kMargin + width(), m_y);
        m_y += 8;
    }

private:
    void begin();
    Pages& m_pages;
    std::string m_foot;
    double m_y = 0;
    int m_page = 0;
};

}  // namespace amber
