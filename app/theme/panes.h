// Panes beside or above one another whose borders can be moved: by the mouse, or with the arrow keys when a border has
// the focus. A double click gives the usual sizes again. Sizes are the user's: kept under the name, for every job.
#pragma once

#include <QSplitter>
#include <vector>

namespace amber {

class Panes : public QSplitter {
    Q_OBJECT

public:
    struct Size {
        int usual = 0;  ///< pixels; 0: this pane takes what the others leave
        int least = 0, most = QWIDGETSIZE_MAX;
    };
    Panes(const QString& name, Qt::Orientation orientation, QWidget* parent);
    void add(QWidget* pane, Size size);
    void add(QLayout* pane, Size size);
    /// Back to the usual sizes.
    void reset();
    /// Moves the border before pane `index` by so many pixels, as a drag would.
    void nudge(int index, int by);

protected:
    QSplitterHandle* createHandle() override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void place();
    void keep();

    QString m_name;
    std::vector<Size> m_sizes;
    std::vector<int> m_wanted;
};

}  // namespace amber
