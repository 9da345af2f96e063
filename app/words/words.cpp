#include "app/words/words.h"

#include <QCoreApplication>
#include <QRegularExpression>

namespace amber {

QString text(const std::string& s) { return QString::fromStdString(s); }

QString sentence(const std::string& s)
{
    static const QRegularExpression kHyphen(QStringLiteral("(?<![\\w.])-(?=[0-9])"));
    return text(s).replace(kHyphen, QStringLiteral("\u2212"));
}

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

std::vector<Shape> shapes()
{
    return {{QCoreApplication::translate("BalanceBench", "as it is"), 0},
            {QStringLiteral("3 : 2"), 1.5},
            {QStringLiteral("2 : 3"), 2.0 / 3},
            {QStringLiteral("4 : 3"), 4.0 / 3},
            {QStringLiteral("1 : 1"), 1},
            {QStringLiteral("4 : 5"), 0.8},
            {QStringLiteral("16 : 9"), 16.0 / 9},
            {QStringLiteral("2 : 1"), 2}};
}

}  // namespace amber
