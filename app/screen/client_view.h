// The frame in hand alone in a window of its own, for whoever looks on; on another screen, with that screen's profile.
#pragma once

#include "app/display/screens.h"
#include "app/document/document.h"
#include "app/render/proxy_store.h"

#include <QWidget>

namespace amber {

class ClientView : public QWidget {
    Q_OBJECT

public:
    ClientView(Document& document, ProxyStore& proxies, Screens& screens);
    /// On a screen other than that of `beside` when there is one, filling it.
    void showBeside(const QWidget& beside);
    QImage image() const { return m_image; }
    bool isAtRest() const { return !m_slot->isBusy(); }

signals:
    void closed();

protected:
    void paintEvent(QPaintEvent*) override;
    void showEvent(QShowEvent*) override { render(); }
    void resizeEvent(QResizeEvent*) override { render(); }
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent* event) override;
    void closeEvent(QCloseEvent*) override;

private:
    void render();

    Document& m_document;
    ProxyStore& m_proxies;
    Screens& m_screens;
    RenderSlot* m_slot;
    QImage m_image;
    struct Made {
        std::optional<DeviceProfile> profile;
        ViewIntent intent{};
        bool blackPoint = false;
        std::shared_ptr<const ViewTransform> view;
    };
    std::shared_ptr<Made> m_made;  ///< of this window's screen
};

}  // namespace amber
