// Proof, screens and prints: the frame in hand as it will be handed over, beside what others will see of it, with what
// is lost on the way measured.
#pragma once

#include "app/display/screens.h"
#include "app/document/document.h"
#include "app/render/proxy_store.h"
#include "core/display/client_loss.h"
#include "core/display/print_measures.h"

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
    /// What is marked on prints.
    enum class Marks { Nothing, OutsideGamut, InkPast };

    ScreensTab(Document& document, ProxyStore& proxies, Screens& screens, QWidget* parent = nullptr);

    /// What a pane shows: 0 as it is handed over, else a profile by its place in the list.
    void choose(int pane, int choice);
    bool isAtRest() const { return !m_slot->isBusy(); }
    /// What was measured of the newest print shown: nothing when no pane shows one.
    struct PrintFacts {
        PrintEnds ends;
        bool saysInk = false;
        double mostInk = 0, pastShare = 0, outsideShare = 0;
    };
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
    /// What work leaves of a pane.
    struct Shown {
        QImage picture;
        QString words;
        std::optional<PrintFacts> print;
    };
    struct Views;
    QLayout* makeHeader();
    QWidget* makePane(int pane);
    void fillChoices();
    void askProfile(int pane);
    void render();
    void showAll(const std::vector<Shown>& all);
    void takeEnds();
    ViewOptions printOptions() const;

    Document& m_document;
    ProxyStore& m_proxies;
    Screens& m_screens;
    std::vector<DeviceProfile> m_profiles;
    std::array<Pane, kPanes> m_panes{};
    QLabel *m_title, *m_state;
    QComboBox *m_intent, *m_marks;
    QCheckBox *m_blackPoint, *m_paperWhite;
    QDoubleSpinBox* m_limit;
    QPushButton* m_ends;
    RenderSlot* m_slot;
    std::shared_ptr<Views> m_views;
    std::optional<PrintFacts> m_print;
    std::uint64_t m_number = 0;
};

}  // namespace amber
