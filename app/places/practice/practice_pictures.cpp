#include "app/places/practice/practice_pictures.h"

#include "app/task/task.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "demo/demo_job.h"

#include <QStandardPaths>

namespace amber {
namespace {

/// What is read: a file, and how it is balanced.
struct Source {
    std::string name;
    std::filesystem::path path;
    FrameBalance balance;
    Response response;
};

std::optional<PracticePicture> pictureOf(const Source& source)
{
    auto read = readPicture(source.path);
    if (!read)
        return std::nullopt;
    Image picture = balancedPicture(std::move(read->image), source.balance, source.response);
    return PracticePicture{source.name, reducedToFit(picture.view(), PracticePictures::kEdge, PracticePictures::kEdge)};
}

/// The frames of the practice job, which is written beside the user's other things when it is not there yet.
Result<std::vector<Source>> practiceJob(const std::filesystem::path& folder)
{
    const auto job = writeDemoJob(folder, DemoSize::Small);
    if (!job)
        return tl::make_unexpected(job.error());
    const auto store = JobStore::open(*job);
    if (!store)
        return tl::make_unexpected(store.error());
    std::vector<Source> sources;
    for (const Frame& frame : store->frames()) {
        const FrameBalance& balance = store->job().frame(frame.id).balance;
        sources.push_back({frame.path.stem().string(), frame.path, balance, store->job().responseOf(balance)});
    }
    return sources;
}

/// Frames of the open job.
std::vector<Source> sourcesIn(Document& document)
{
    constexpr std::size_t kMost = PracticePictures::kMost;
    std::vector<Source> sources;
    for (const Frame& frame : document.frames())
        if (!frame.isLost && frame.fault.empty() && !document.job().frame(frame.id).isUnused) {
            const FrameBalance balance = document.balances().of(frame.id);
            sources.push_back(
                {titleOf(frame).toStdString(), frame.path, balance, document.balances().responseOf(balance)});
        }
    // A few of them, spread over the shoot.
    if (sources.size() > kMost)
        for (std::size_t i = 0; i < kMost; ++i)
            sources[i] = sources[i * sources.size() / kMost];
    sources.resize(std::min<std::size_t>(sources.size(), kMost));
    return sources;
}

struct Made {
    std::vector<PracticePicture> pictures;
    std::string fault;
};

Made picturesOf(const Result<std::vector<Source>>& sources, const Task::Progress& progress, const CancelToken& cancel)
{
    Made made;
    if (!sources) {
        made.fault = sources.error().message();
        return made;
    }
    for (std::size_t i = 0; i < sources->size() && !cancel.isCancelled(); ++i) {
        if (auto picture = pictureOf((*sources)[i]))
            made.pictures.push_back(std::move(*picture));
        progress(static_cast<int>(i) + 1, static_cast<int>(sources->size()));
    }
    return made;
}

}  // namespace

PracticePictures::PracticePictures(Document& document, QObject* parent)
    : QObject(parent), m_document(document), m_task(new Task(this))
{
    m_task->setObjectName("practiceReading");
    connect(&document, &Document::leaving, this, [this] {
        if (m_own)
            m_task->cancel(), m_pictures.clear();
    });
}

bool PracticePictures::isReading() const { return m_task->isRunning(); }

void PracticePictures::read(bool own)
{
    if (m_task->isRunning())
        return;
    m_own = own;
    m_pictures.clear();
    const std::vector<Source> sources = own ? sourcesIn(m_document) : std::vector<Source>{};
    if (own && sources.empty()) {
        emit failed(tr("No frames of your own are open."));
        return;
    }
    const std::filesystem::path folder =
        (QStandardPaths::writableLocation(QStandardPaths::CacheLocation) + "/practice").toStdString();
    const auto made = std::make_shared<Made>();
    m_task->start(
        [sources, own, folder, made](const Task::Progress& progress, const CancelToken& cancel) {
            *made = picturesOf(own ? Result<std::vector<Source>>(sources) : practiceJob(folder), progress, cancel);
        },
        [this, made](bool cancelled) {
            if (cancelled)
                return;
            m_pictures = std::move(made->pictures);
            if (m_pictures.empty())
                emit failed(made->fault.empty() ? tr("None of the pictures can be read.") : text(made->fault));
            else
                emit ready();
        });
}

}  // namespace amber
