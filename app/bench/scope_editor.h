// Whose the values of the chosen step are: which travel, which belong to sets of frames or lights, which to the frame
// in hand; and giving them to others.
#pragma once

#include "app/bench/step_editor.h"

class QCheckBox;
class QMenu;
class QPushButton;
class QTableView;
class QToolButton;

namespace amber {

class ScopeModel;

class ScopeEditor final : public StepEditor {
    Q_OBJECT

public:
    ScopeEditor(Document& document, QWidget* parent);
    void refresh() override;
    QString setProbe(const Probe*) override { return {}; }
    ScopeModel& model() { return *m_model; }

private:
    void makeTable();
    QWidget* makeButtons();
    void dressMenus();
    void dressEach();
    std::vector<std::string> chosenParts() const;
    /// Changes every chosen part of the step, as one gesture.
    void change(const std::function<Step(const Step& step, const std::string& part)>& change, const QString& action);
    /// The same with what else of the job changes by it.
    void change(const std::function<Step(const Step& step, const std::string& part)>& change, const QString& action,
                const Job& after);
    void keepFor(const std::string& holder, const Job& after);
    void giveTo(const std::string& holder, const Job& after);
    void keepForLight();
    void keepForNewSet();
    void fillSets(QMenu& menu);
    void fillOthers(QMenu& menu);
    QString namesOf(const std::vector<std::string>& parts) const;
    void refreshButtons();

    ScopeModel* m_model;
    QTableView* m_table;
    QPushButton *m_thisFrame, *m_light, *m_all, *m_letGo;
    QToolButton *m_set, *m_give;
    QCheckBox* m_each;
};

}  // namespace amber
