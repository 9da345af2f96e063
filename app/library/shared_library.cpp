#include "app/library/shared_library.h"

#include "core/engine/render_plan.h"
#include "core/image/resize.h"
#include "core/look/look_json.h"
#include "core/look/part.h"

#include <QImageReader>
#include <QMessageBox>
#include <QPushButton>

namespace amber {
namespace {

constexpr int kPictureEdge = 640;

/// What is kept beside a part: the picture as it makes it.
Image finishedSmall(const Look& look, const Image& picture)
{
    if (picture.isEmpty())
        return {};
    const Size size = fitted({picture.width(), picture.height()}, kPictureEdge);
    Image small = reduceByArea(picture.view(), size.width, size.height);
    if (const auto plan = RenderPlan::compile(look))
        render(*plan, small.view(), small.mutableView());
    return small;
}

}  // namespace

SharedLibrary::SharedLibrary(Document& document, RenderQueue& queue, QObject* parent)
    : QObject(parent), m_document(document), m_reading(new RenderSlot(queue, RenderQueue::Priority::Companion, this)),
      m_keeping(new RenderSlot(queue, RenderQueue::Priority::Companion, this)),
      m_noting(new RenderSlot(queue, RenderQueue::Priority::Companion, this)),
      m_picturing(new RenderSlot(queue, RenderQueue::Priority::InHand, this))
{
}

void SharedLibrary::refresh()
{
    m_reading->run([](const CancelToken&) { return Library::ofUser().read(); },
                   [this](LibraryContents contents) {
                       m_contents = std::move(contents);
                       m_isRead = true;
                       emit changed();
                   });
}

const LibraryPart* SharedLibrary::part(const std::string& id) const
{
    const auto found = std::find_if(m_contents.parts.begin(), m_contents.parts.end(),
                                    [&](const LibraryPart& p) { return p.id == id; });
    return found == m_contents.parts.end() ? nullptr : &*found;
}

const LibraryPart* SharedLibrary::sameAs(PartKind kind, const std::string& name) const
{
    const auto& all = places();
    const auto isWritable = [&](const std::filesystem::path& folder) {
        return std::any_of(all.begin(), all.end(),
                           [&](const LibraryPlace& p) { return p.folder == folder && !p.isReadOnly; });
    };
    for (const LibraryPart& part : m_contents.parts)
        if (part.kind == kind && part.name() == name && isWritable(part.place))
            return &part;
    return nullptr;
}

void SharedLibrary::keep(PartKind kind, const Look& look, const Image& picture, const std::string& id)
{
    const LibraryPart* of = id.empty() ? nullptr : part(id);
    const std::filesystem::path place = of ? of->place : std::filesystem::path();
    const auto work = [kind, look, picture, id, place, job = m_document.title().toStdString()](const CancelToken&) {
        return Library::ofUser().keep({kind, look, job, finishedSmall(look, picture), place, id});
    };
    m_keeping->run(work, [this, name = text(look.name)](const Result<std::string>& kept) {
        emit m_document.failed(kept ? tr("%1 is in the library.").arg(name) : text(kept.error().message()));
        refresh();
    });
}

void SharedLibrary::askToKeep(PartKind kind, const Look& look, const Image& picture, QWidget* window)
{
    const LibraryPart* same = sameAs(kind, look.name);
    if (!same)
        return keep(kind, look, picture);
    QMessageBox box(QMessageBox::NoIcon, tr("Keep in the library"),
                    tr("The library has %1 already, in %n version(s). All of them stay.", nullptr,
                       static_cast<int>(same->versions.size()))
                        .arg(text(look.name)),
                    QMessageBox::NoButton, window);
    box.setObjectName("keepDialog");
    auto* version = box.addButton(tr("As its next version"), QMessageBox::AcceptRole);
    auto* another = box.addButton(tr("Beside it"), QMessageBox::ActionRole);
    box.addButton(QMessageBox::Cancel);
    const std::string id = same->id;
    box.exec();
    if (box.clickedButton() == version)
        keep(kind, look, picture, id);
    else if (box.clickedButton() == another)
        keep(kind, look, picture);
}

void SharedLibrary::use(const LibraryPart& part, const LibraryVersion& version)
{
    if (!m_document.isOpen())
        return;
    LooksInHand& looks = m_document.looks();
    inBackground([part, number = version.number, job = m_document.title().toStdString()] {
        Library::ofUser().noteUse(part, number, job);
        return Status{};
    });
    if (part.kind == PartKind::Look)
        looks.addLook(version.look, tr("%1 taken from the library").arg(text(version.look.name)));
    else
        looks.pasteSteps(text(lookToText(version.look, true)), looks.lookId(),
                         looks.look().steps.empty() ? 0 : looks.selectedStep() + 1);
}

Look SharedLibrary::preview(const LibraryPart& part, const LibraryVersion& version) const
{
    if (part.kind == PartKind::Look)
        return version.look;
    const Look& into = m_document.looks().look();
    const std::size_t at = into.steps.empty() ? 0 : static_cast<std::size_t>(m_document.looks().selectedStep()) + 1;
    auto arrived = withPart(into, version.look, at, {});
    return arrived ? std::move(arrived->look) : into;
}

/// Folders may hang, as those on other machines do.
void SharedLibrary::inBackground(const std::function<Status()>& act)
{
    m_noting->run([act](const CancelToken&) { return act(); },
                  [this](const Status& done) {
                      if (!done)
                          emit m_document.failed(text(done.error().message()));
                      refresh();
                  });
}

void SharedLibrary::addPlace(const QString& folder)
{
    inBackground([place = folder.toStdString()] { return Library::ofUser().addPlace(place); });
}

void SharedLibrary::dropPlace(const QString& folder)
{
    inBackground([place = folder.toStdString()] { return Library::ofUser().dropPlace(place); });
}

void SharedLibrary::readPicture(const std::string& id, const LibraryVersion& version)
{
    m_picturing->run([file = text(version.picture.string())](
                         const CancelToken&) { return file.isEmpty() ? QImage() : QImageReader(file).read(); },
                     [this, part = text(id), number = version.number](const QImage& picture) {
                         emit pictureRead(part, number, picture);
                     });
}

}  // namespace amber
