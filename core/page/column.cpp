#include "core/page/column.h"

namespace amber {

void Column::text(const std::string& words, const Pages::TextStyle& style, double indent)
{
    need(m_pages.textHeight(words, width() - indent, style));
    m_y += m_pages.text(kMargin + indent, m_y, width() - indent, words, style) + 2;
}

void Column::begin()
{
    m_y = kMargin;
    const Pages::TextStyle quiet{8, false, false, 0.45};
    const double y = m_pages.height() - kMargin - 8;
    m_pages.text(kMargin, y, width() - 60, m_foot, quiet);
    m_pages.text(kMargin + width() - 60, y, 60, "page " + std::to_string(++m_page), quiet, true);
}

}  // namespace amber
