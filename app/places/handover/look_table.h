// Which look lands on which light and frame when they are handed over, and what is in their pictures already.
#pragma once

#include "app/document/document.h"

#include <QWidget>

class QTableWidget;

namespace amber {

class LookTable : public QWidget {
    Q_OBJECT

public:
    explicit LookTable(Document& document, QWidget* parent = nullptr);
    void refresh();

    /// The looks to choose from, by their numbers; 0: as all.
    const std::vector<std::pair<LookId, QString>>& choices() const { return m_choices; }
    /// Chooses for a row, once the hand has left it.
    void choose(int row, LookId look);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void addRow(const QString& of, const QString& count, LookId look, const QString& note, bool isStrong,
                std::function<void(LookId)> choose);
    void fill();
    Document& m_document;
    QTableWidget* m_table;
    std::vector<std::pair<LookId, QString>> m_choices;
    std::vector<std::function<void(LookId)>> m_choose;  ///< of each row
    bool m_isOld = true;
};

}  // namespace amber
