// A recipe as a form: every field of it, in the words of the receiver.
#pragma once

#include "core/handover/recipe.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QGridLayout;
class QLabel;
class QLineEdit;
class QSpinBox;

namespace amber {

class RecipeForm : public QWidget {
    Q_OBJECT

public:
    static constexpr int kLabels = 92;  ///< wide is the column of labels, here and beside it
    explicit RecipeForm(QWidget* parent = nullptr);
    void show(const Recipe& recipe, bool isEditable);
    Recipe recipe() const;

signals:
    void edited();

private:
    void addRow(const QString& label, QWidget* control, const char* name, const QString& tip);
    QSpinBox* whole(int low, int high, const QString& none, const QString& suffix);
    QDoubleSpinBox* number(double low, double high, int decimals, const QString& none, const QString& suffix);
    void addFile();
    void addSize();
    void addFinish();
    void addNames();
    void refresh();
    void chooseProfile();
    /// What a field of a size says, or what was there before as long as the field shows it.
    double told(const QDoubleSpinBox& box, double before, const Recipe& recipe) const;
    void setFineness(OutputSize::Kind kind);

    QGridLayout* m_grid;
    Recipe m_recipe;
    bool m_isEditable = true, m_isShowing = false;
    QComboBox *m_format, *m_space, *m_intent, *m_kind, *m_shape, *m_metadata, *m_use;
    QSpinBox *m_quality, *m_weight, *m_edge, *m_ppi;
    QDoubleSpinBox *m_width, *m_height, *m_sharpening, *m_floor, *m_ceiling;
    QCheckBox* m_dither;
    QLineEdit *m_pattern, *m_subfolder;
    QLabel* m_fault;
};

/// What a recipe makes, in a line: "JPEG within 400 kB, sRGB, 2048 px".
QString recipeWords(const Recipe& recipe);

}  // namespace amber
