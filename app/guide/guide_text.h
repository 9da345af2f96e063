// The guide: what one can do in each place, and the way from a folder to a delivery. The same text is in docs/guide.
#pragma once

#include <QString>
#include <QStringList>
#include <vector>

namespace amber {

struct GuidePage {
    const char* id;  ///< "way", or the place's id
    QString title, about;
    QStringList does;
    struct Key {
        QString keys, words;
    };
    std::vector<Key> keys;
    struct Picture {
        const char* name;  ///< ":/guide/…"
        QString title, words;
    };
    std::vector<Picture> pictures = {};
};

/// The way first, then the places in the order of the rail.
const std::vector<GuidePage>& guidePages();
const GuidePage& guidePage(const QString& id);
/// As Markdown; pictures are told in words.
QString guideMarkdown(const GuidePage& page);

}  // namespace amber
