// A look written to a file: complete, or as a lookup table with a report of how it travels.
#pragma once

#include "app/document/document.h"
#include "app/render/proxy_store.h"

class QWidget;

namespace amber {

class LookExport : public QObject {
    Q_OBJECT

public:
    /// Questions and reports stand before `window`.
    LookExport(Document& document, ProxyStore& proxies, QWidget* window);
    void ask(LookId look);
    /// The look in hand, by the file's ending; the report is over the colours of the frames on the wall.
    Result<QString> writeTable(const QString& path) const;

    /// The recipe of the look in hand with the pictures of the wall, as pages (.pdf) or text (.txt), in the background.
    void writeSheet(const QString& path);

private:
    Document& m_document;
    ProxyStore& m_proxies;
    QWidget* m_window;
    RenderSlot* m_making;
};

}  // namespace amber
