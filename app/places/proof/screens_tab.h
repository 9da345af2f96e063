// Proof, screens and prints: the frame in hand as it will be handed over, beside what others will see of it, with what
// is lost on the way measured.
#pragma once

#include "app/display/screens.h"
#include "app/document/document.h"
#include "app/places/proof/seen_as.h"
#include "app/render/proxy_store.h"

#include <QWidget>
#include <array>

class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QPushButton;

namespace amber {

class PictureView;

class ScreensTab : public QWidget {
    Q_OBJECT

public:
    static constexpr int kPanes = 4;
    ScreensTab(Document& document, ProxyStore& proxies, Screens& screens, QWidget* parent = nullptr);

    /// What a pane shows: 0 as it is handed over, else a profile by its place in the list.
    void choose(int pane, int choice);
    bool isAtRest() const { return !m_slot->isBusy(); }
    /// What was measured of the print shown last: nothing when no pane shows one.
    const std::optional<PrintFacts>& printFacts() const { return m_print; }
    PictureView& view(int pane) { return *m_panes[static_cast<std::size_t>(pane)].view; }

protected:
    void showEvent(QShowEvent*) override;

private:
    struct Pane {
        QComboBox* choice;
        PictureView* view;
        QLabel* words;
    };
    void makePrintChoices();
    void makeInkLimit();
    SeenAs::Choices choices() const;
    void clear(const QString& message);
    QLayout* makeHeader();
    QWidget* makePane(int pane);
    void fillChoices();
    void askProfile(int pane);
    void render();
    void showAll(const std::vector<SeenPicture>& all);
    void takeEnds();

    Document& m_document;
    ProxyStore& m_proxies;
    Screens& m_screens;
    std::vector<DeviceProfile> m_profiles;
    std::array<Pane, kPanes> m_panes{};
    QLabel* m_title;
    QComboBox *m_intent, *m_marks;
    QCheckBox *m_blackPoint, *m_paperWhite;
    QDoubleSpinBox* m_limit;
    QPushButton* m_ends;
    RenderSlot* m_slot;
    std::shared_ptr<SeenAs> m_seenAs;
    std::optional<PrintFacts> m_print;
    std::uint64_t m_number = 0;
};

}  // namespace amber
