#include "app/places/look/look_export.h"

#include "app/library/library_view.h"
#include "core/analysis/look_sheet.h"
#include "core/base/atomic_file.h"
#include "core/engine/bake.h"
#include "core/look/look_file.h"

#include <QtWidgets>

namespace amber {

LookExport::LookExport(Document& document, ProxyStore& proxies, QWidget* window)
    : QObject(window), m_document(document), m_proxies(proxies), m_window(window),
      m_making(new RenderSlot(proxies.queue(), RenderQueue::Priority::Sheet, this))
{
}

void LookExport::ask(LookId id)
{
    const auto look = m_document.looks().lookOfEntry(id);
    if (!look)
        return;
    m_document.looks().choose(id);
    const QString path = QFileDialog::getSaveFileName(
        m_window, tr("Export the look"), m_document.folder() + "/" + text(look->name) + text(std::string(kLookEnding)),
        tr("Look, complete (*.amberlook *.json);;Recipe to read or print (*.pdf *.txt);;Lookup table (*.cube "
           "*.clf);;Hald picture, "
           "16 bits (*.png);;ASC CDL, nearest fit "
           "(*.cc *.ccc *.cdl)"));
    if (path.isEmpty())
        return;
    QString words;
    if (path.endsWith(".pdf", Qt::CaseInsensitive) || path.endsWith(".txt", Qt::CaseInsensitive))
        return writeSheet(path);
    if (hasLookEnding(path.toStdString())) {
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

void LookExport::writeSheet(const QString& path)
{
    std::vector<std::pair<std::string, std::shared_ptr<const Proxy>>> shown;
    std::vector<FrameId> frames{m_document.selection().frameInHand()};
    for (const FrameId companion : m_document.selection().companions())
        frames.push_back(companion);
    for (const FrameId id : frames)
        if (const Frame* frame = m_document.frame(id))
            if (auto proxy = m_proxies.proxy(id, frame->path))
                shown.emplace_back(titleOf(*frame).toStdString(), std::move(proxy));
    const auto work = [shown, look = m_document.looks().look(), path](const CancelToken&) -> Status {
        std::vector<std::pair<std::string, Image>> pictures;
        for (const auto& [name, proxy] : shown)
            pictures.emplace_back(name, proxy->image);
        const auto sheet = lookSheet(look, pictures);
        if (!sheet)
            return tl::make_unexpected(sheet.error());
        const auto bytes = path.endsWith(".pdf", Qt::CaseInsensitive) ? lookSheetPdf(*sheet)
                                                                      : Result<std::string>(lookSheetText(*sheet));
        return bytes ? saveFile(path.toStdString(), *bytes) : Status(tl::make_unexpected(bytes.error()));
    };
    m_making->run(work, [this, path](const Status& done) {
        emit m_document.failed(done ? tr("The recipe is in %1.").arg(path) : text(done.error().message()));
    });
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
