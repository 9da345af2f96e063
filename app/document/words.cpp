#include "app/document/words.h"

#include <QCoreApplication>

namespace amber {

QString text(const std::string& s) { return QString::fromStdString(s); }

QString text(const std::filesystem::path& p) { return QString::fromStdString(p.string()); }

QString oneLine(QString words)
{
    constexpr ushort kControlPictures = 0x2400;
    for (QChar& c : words)
        if (c.unicode() < 0x20)
            c = QChar(ushort(kControlPictures + c.unicode()));
    return words;
}

QString titleOf(const Frame& frame) { return oneLine(text(frame.path.stem())); }

QString keyColourTitle(const KeyColour& key)
{
    switch (key.kind) {
    case KeyColour::Kind::Neutral:
        return QCoreApplication::translate("KeyColour", "neutral");
    case KeyColour::Kind::Deepest:
        return QCoreApplication::translate("KeyColour", "deepest dark");
    case KeyColour::Kind::Brightest:
        return QCoreApplication::translate("KeyColour", "brightest area");
    case KeyColour::Kind::Marked:
        break;
    }
    return text(key.name);
}

}  // namespace amber
