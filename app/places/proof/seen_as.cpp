#include "app/places/proof/seen_as.h"

#include "app/display/screen_view.h"
#include "app/theme/theme.h"
#include "app/words/words.h"
#include "core/display/client_loss.h"

#include <QCoreApplication>

namespace amber {
namespace {

QString tr(const char* words) { return QCoreApplication::translate("SeenAs", words); }

bool isPrint(const DeviceProfile& profile) { return profile.isPrinter || profile.kind == DeviceProfile::Kind::Cmyk; }

/// Hatches what is marked in white and black, so that it shows on any colour and the picture through it.
void layOver(const std::vector<std::uint8_t>& marks, QImage& picture)
{
    constexpr int kApart = 8;
    for (int y = 0; y < picture.height(); ++y) {
        auto* row = reinterpret_cast<QRgb*>(picture.scanLine(y));
        for (int x = 0; x < picture.width(); ++x)
            if (const int line = (x + y) % kApart;
                line < 2 && marks[static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width()) +
                                  static_cast<std::size_t>(x)])
                row[x] = line == 0 ? qRgb(250, 250, 250) : qRgb(20, 20, 20);
    }
}

double shareOf(const std::vector<std::uint8_t>& marks)
{
    std::size_t count = 0;
    for (const std::uint8_t mark : marks)
        count += mark;
    return marks.empty() ? 0 : static_cast<double>(count) / static_cast<double>(marks.size());
}

QString wordsOfPrint(const PrintFacts& facts, double limit)
{
    QStringList words{tr("Deepest black L* %1, lightest ink L* %2")
                          .arg(theme::number(facts.ends.deepestBlack, 1), theme::number(facts.ends.lightestInk, 1))};
    const QString most = theme::number(facts.mostInk, 0);
    if (!facts.saysInk)
        words << tr("its profile does not say its inks");
    else if (facts.pastShare > 0)
        words << tr("most ink %1 %, over %2 % on %3 % of the picture")
                     .arg(most, theme::number(limit, 0), theme::number(100 * facts.pastShare, 1));
    else
        words << tr("most ink %1 %").arg(most);
    words << tr("%1 % outside its colours").arg(theme::number(100 * facts.outsideShare, 1));
    return words.join(QStringLiteral("; ")) + '.';
}

/// A sentence of the measure; numbers stay with their names at the end of a line.
QString wordsOfLoss(const DeviceProfile& profile, ImageView finished)
{
    const auto loss = clientLoss(profile, finished);
    QString words = loss ? sentence(wordsOf(*loss)) : text(loss.error().message());
    words[0] = words[0].toUpper();
    const QChar close(0xA0);
    return words.replace(QStringLiteral(" stops"), close + QStringLiteral("stops"))
               .replace(QStringLiteral("ΔE "), QStringLiteral("ΔE") + close) +
           '.';
}

}  // namespace

Result<std::shared_ptr<const ViewTransform>> SeenAs::view(const std::optional<DeviceProfile>& screen,
                                                          const ViewOptions& options)
{
    const Key key{screen, options.proof, options.client, options.proofIntent, options.blackPoint, options.paperWhite};
    for (const auto& [known, transform] : m_views)
        if (known == key)
            return transform;
    auto transform = ViewTransform::make(screen, options);
    if (transform)
        m_views.emplace_back(key, *transform);
    return transform;
}

std::shared_ptr<const PrintMeasures> SeenAs::measures(const DeviceProfile& profile, const PrintChoices& choices)
{
    for (const auto& [known, measures] : m_prints)
        if (known.first == profile && known.second == choices)
            return measures;
    const auto made = PrintMeasures::make(profile, choices);
    if (!made)
        return nullptr;
    m_prints.push_back({{profile, choices}, *made});
    return *made;
}

void SeenAs::print(SeenPicture& seen, ImageView finished, const ViewTransform& view, const DeviceProfile& profile,
                   const Choices& choices)
{
    const auto measures = this->measures(profile, {choices.print.proofIntent, choices.print.blackPoint});
    std::vector<std::uint8_t> outside(static_cast<std::size_t>(finished.width) *
                                      static_cast<std::size_t>(finished.height));
    view.markOutside(finished, outside.data());
    const InkPast ink = inkPast(measures ? measures->inkSums(finished) : std::vector<float>{}, choices.inkLimit);
    seen.print = PrintFacts{measures ? measures->ends() : PrintEnds{}, !ink.marks.empty(), ink.most, ink.share,
                            shareOf(outside)};
    seen.words = wordsOfPrint(*seen.print, choices.inkLimit);
    if (choices.marks == PrintMarks::OutsideGamut)
        layOver(outside, seen.picture);
    if (choices.marks == PrintMarks::InkPast && !ink.marks.empty())
        layOver(ink.marks, seen.picture);
}

SeenPicture SeenAs::seen(ImageView finished, const std::optional<DeviceProfile>& profile, const Choices& choices)
{
    const std::lock_guard lock(m_mutex);
    ViewOptions options = choices.print;
    const bool isPrinted = profile && isPrint(*profile);
    if (profile)
        (isPrinted ? options.proof : options.client) = profile;
    SeenPicture seen;
    const auto transform = view(choices.screen, options);
    if (!transform) {
        seen.words = text(transform.error().message());
        return seen;
    }
    seen.picture = toScreen(finished, **transform);
    if (isPrinted)
        print(seen, finished, **transform, *profile, choices);
    else if (profile)
        seen.words = wordsOfLoss(*profile, finished);
    return seen;
}

}  // namespace amber
