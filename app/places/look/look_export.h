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

private:
    Document& m_document;
    ProxyStore& m_proxies;
    QWidget* m_window;
};

}  // namespace amber
