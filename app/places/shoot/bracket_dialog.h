// A bracket: its exposures side by side with what each loses at the ends; one is chosen, or they are merged.
#pragma once

#include <QDialog>
#include <cstdint>
#include <vector>

class QLayout;
class QPixmap;

namespace amber {

struct BracketChoice {
    std::int64_t frame = 0;
    QString name;
    QString settings;  ///< "1/125 s, f/4, +1.5 stops"
    double lostLow = 0, lostHigh = 0;
    bool isProposed = false, isChosen = false;
};

class BracketDialog : public QDialog {
    Q_OBJECT

public:
    BracketDialog(const std::vector<BracketChoice>& frames, const std::vector<QPixmap>& pictures,
                  QWidget* parent = nullptr);
    /// The chosen frame, or 0 when they are to be merged.
    std::int64_t chosen() const { return m_chosen; }

private:
    QLayout* makeChoice(const BracketChoice& f, int number, const QPixmap& picture, QWidget* wall);
    std::int64_t m_chosen = 0;
    int m_pictureWidth = 0;
};

}  // namespace amber
