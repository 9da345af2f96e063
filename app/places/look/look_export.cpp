#include "app/places/look/look_export.h"

#include "app/library/library_view.h"
#include "core/engine/bake.h"

#include <QtWidgets>

namespace amber {

LookExport::LookExport(Document& document, ProxyStore& proxies, QWidget* window)
    : QObject(window), m_document(document), m_proxies(proxies), m_window(window)
{
}

void LookExport::ask(LookId id)
{
    const auto look = m_document.looks().lookOfEntry(id);
    if (!look)
        return;
    m_document.looks().choose(id);
    const QString path = QFileDialog::getSaveFileName(
        m_window, tr("Export the look"), m_document.folder() + "/" + text(look->name) + ".json",
        tr("Look, complete (*.json);;Lookup table (*.cube *.clf);;Hald picture, 16 bits (*.png);;ASC CDL, nearest fit "
           "(*.cc *.ccc *.cdl)"));
    if (path.isEmpty())
        return;
    QString words;
    if (path.endsWith(".json", Qt::CaseInsensitive)) {
        if (const Status done = m_document.looks().exportLook(path); !done)
            emit m_document.failed(text(done.error().message()));
        words = tr("Made for: %1\nLimits: %2")
                    .arg(look->card.madeFor.empty() ? tr("not said; write it on the intent card")
                                                    : text(look->card.madeFor),
                         look->card.limits.empty() ? tr("not said") : text(look->card.limits));
    } else {
        const auto report = writeTable(path);
        if (!report) {
            emit m_document.failed(text(report.error().message()));
            return;
        }
        words = *report;
    }
    if (const QString bound = subjectBoundWords(*look); !bound.isEmpty())
        words += tr("\n\nBound to a subject, yet marked as travelling: %1").arg(bound);
    QMessageBox box(QMessageBox::NoIcon, tr("How the look travels"), words, QMessageBox::Ok, m_window);
    box.setObjectName("travelReport");
    box.exec();
}

Result<QString> LookExport::writeTable(const QString& path) const
{
    const auto format = tableFormatFromEnding(path.toStdString());
    if (!format)
        return tl::make_unexpected(format.error());
    std::vector<LinearRgb> own;
    std::vector<std::int64_t> frames = m_document.selection().companions();
    frames.push_back(m_document.selection().frameInHand());
    for (const std::int64_t id : frames)
        if (const Frame* frame = m_document.frame(id))
            if (const auto proxy = m_proxies.proxy(id, frame->path)) {
                const ImageView samples = proxy->samples.view();
                for (int i = 0; i < samples.width * samples.height; i += 3)
                    own.push_back({samples.data[3 * i], samples.data[3 * i + 1], samples.data[3 * i + 2]});
            }
    constexpr int kEdge = 33, kHaldEdge = 36;
    const auto travel = writeLookTable(m_document.looks().look(), path.toStdString(), *format,
                                       *format == TableFormat::Hald ? kHaldEdge : kEdge, RgbSpace::Srgb, own);
    if (!travel)
        return tl::make_unexpected(travel.error());
    return text(describe(*travel));
}

}  // namespace amber
