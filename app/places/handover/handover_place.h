// The Hand over place: the looks landed on the frames, as files by recipes; files out to be retouched and back; what
// the client said.
#pragma once

#include "app/document/document.h"
#include "app/places/handover/delivery_model.h"
#include "app/places/handover/export_task.h"
#include "core/handover/preflight.h"

#include <QWidget>

class QButtonGroup;
class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QProgressBar;
class QPushButton;
class QSpinBox;
class QStackedWidget;
class QTableView;
class QVBoxLayout;

namespace amber {

class AnswersTab;
class BeforeList;
class LookTable;
class RecipePanel;
class RetouchTab;

class HandoverPlace : public QWidget {
    Q_OBJECT

public:
    enum class Tab { Looks, Before, Written, Retouching, Answers };

    HandoverPlace(Document& document, QWidget* parent = nullptr);
    ExportTask& task() { return *m_task; }
    DeliveryModel& deliveries() { return *m_model; }
    RecipePanel& recipes() { return *m_recipes; }
    RetouchTab& retouching() { return *m_retouch; }
    AnswersTab& answers() { return *m_answers; }
    void go(Tab tab);
    void setFolder(const QString& folder);
    /// Frames with open findings for a use, when they are known as they are now.
    using OpenFindings = std::function<std::optional<std::vector<FrameId>>(const std::string& use)>;
    void setOpenFindings(OpenFindings open) { m_openFindings = std::move(open); }
    /// Looks it over and writes nothing.
    void lookOver();
    bool isLookingOver() const { return m_seek->isRunning() || m_looking->isRunning(); }

private:
    /// What stands on the screen, as it is handed over.
    struct Plan {
        std::vector<FrameId> wanted;
        std::vector<Consignment> consignments;
        PreflightOrder order;
    };
    void makeTable();
    QWidget* makeForm();
    void addChoices(QVBoxLayout* layout);
    void addWhoAndWhere(QVBoxLayout* layout);
    QLayout* makeTabs();
    QLayout* makeButtons();
    QWidget* makeWritten();
    void connectAll();
    void refresh();
    void fillLights();
    void restoreChoices();
    HandOver chosen() const;
    QString summary() const;
    std::vector<FrameId> wantedFrames() const;
    void start();
    void seekCards(const std::function<void()>& then);
    Plan plan() const;
    /// Runs the checks before, then `then`.
    void preflightOf(const std::shared_ptr<const Plan>& plan, const std::function<void(const Preflight&)>& then);
    void begin(const Plan& plan);
    void showProgress(int done, int total, double secondsLeft);
    void finish(const ExportReport& report, const QString& fault);
    void askForAnswer(const ExportReport& report);
    bool isBusy() const;

    Document& m_document;
    ExportTask* m_task;
    Task *m_seek, *m_looking;  ///< looks for cards in frames that are to go; looks it over
    RecipePanel* m_recipes;
    LookTable* m_looks;
    BeforeList* m_before;
    RetouchTab* m_retouch;
    AnswersTab* m_answers;
    QButtonGroup* m_tabs;
    QStackedWidget* m_stack;
    QCheckBox *m_withCard, *m_ask;
    DeliveryModel* m_model;
    QComboBox *m_which, *m_light;
    QSpinBox* m_rating;
    QLineEdit *m_folder, *m_author, *m_rights;
    QPushButton *m_start, *m_cancel, *m_lookOver;
    QProgressBar* m_progress;
    QLabel *m_state, *m_summary;
    QTableView* m_table;
    OpenFindings m_openFindings;
    std::string m_asked;     ///< the name of the recipe that an answer is asked about
    int m_leftOut = 0;       ///< of the last hand over, for the colour card
    bool m_isMeant = false;  ///< what was asked before is to be handed over all the same
    bool m_isRestoring = false;
};

}  // namespace amber
