// The library across jobs, as the window uses it: read and written in the background.
#pragma once

#include "app/document/document.h"
#include "app/render/render_queue.h"
#include "core/library/library.h"

namespace amber {

class SharedLibrary : public QObject {
    Q_OBJECT

public:
    SharedLibrary(Document& document, RenderQueue& queue, QObject* parent);

    /// Reads all places anew; changed() follows.
    void refresh();
    bool isRead() const { return m_isRead; }
    const LibraryContents& contents() const { return m_contents; }
    /// As they were when they were read.
    const std::vector<LibraryPlace>& places() const { return m_contents.places; }
    const LibraryPart* part(const std::string& id) const;
    /// A part of this kind and name that could take this as its next version, in a place that can be written to.
    const LibraryPart* sameAs(PartKind kind, const std::string& name) const;
    /// Keeps a look, or some of its steps, with `picture` (light, any size) as the look makes it; as a new version of a
    /// part when `id` names one.
    void keep(PartKind kind, const Look& look, const Image& picture, const std::string& id = {});
    /// Asks, when there is a part of this name, whether this is a new version of it.
    void askToKeep(PartKind kind, const Look& look, const Image& picture, QWidget* window);
    /// A look becomes a look of the job, taken in hand; steps are put after the chosen one.
    void use(const LibraryPart& part, const LibraryVersion& version);
    /// The steps of a part as they would stand in the look in hand.
    Look preview(const LibraryPart& part, const LibraryVersion& version) const;
    void addPlace(const QString& folder);
    void dropPlace(const QString& folder);
    /// Reads the picture that was kept with a version; pictureRead() follows.
    void readPicture(const std::string& id, const LibraryVersion& version);

signals:
    void changed();
    /// Null when there is none.
    void pictureRead(const QString& part, int version, const QImage& picture);

private:
    Document& m_document;
    void inBackground(const std::function<Status()>& act);
    RenderSlot *m_reading, *m_keeping, *m_noting, *m_picturing;
    LibraryContents m_contents;
    bool m_isRead = false;
};

}  // namespace amber
