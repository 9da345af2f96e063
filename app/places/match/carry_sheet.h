// Before a match is carried to all lights of the shoot: what each light has of it as it stands, and what solving its
// rows again makes of it.
#pragma once

#include "core/match/carry.h"

#include <QDialog>

class QTableWidget;

namespace amber {

class CarrySheet : public QDialog {
    Q_OBJECT

public:
    /// `frames`: how many of each light would get steps of their own.
    CarrySheet(const std::vector<CarriedLight>& lights, const std::vector<int>& frames, const QString& reference,
               QWidget* parent);

private:
    void fill(const std::vector<CarriedLight>& lights, const std::vector<int>& frames);
    QTableWidget* m_table;
};

}  // namespace amber
