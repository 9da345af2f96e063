#include "app/bench/shelter_row.h"

#include "app/theme/controls.h"
#include "app/words/words.h"
#include "core/colour/oklab.h"
#include "core/look/steps/hue_shifts/hue_shifts.h"

#include <QtWidgets>

namespace amber {

ShelterRow::ShelterRow(QWidget* parent) : QWidget(parent), m_row(new QHBoxLayout(this)), m_add(new QToolButton(this))
{
    setObjectName("shelterRow");
    m_row->setContentsMargins(0, 0, 0, 0);
    m_row->setSpacing(5);
    m_add->setObjectName("shelterAdd");
    m_add->setText(tr("Hold back from"));
    m_add->setToolTip(
        tr("Colours that this step leaves alone: a key colour as it enters the step, or a family of hues"));
    m_add->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(m_add);
    menu->setObjectName("shelterAddMenu");
    m_add->setMenu(menu);
    connect(menu, &QMenu::aboutToShow, this, [this, menu] { fillAdd(*menu); });
    m_row->addWidget(m_add);
}

void ShelterRow::show(const std::vector<Shelter>& shelters)
{
    if (shelters == m_shelters && m_buttons.size() == shelters.size())
        return;
    m_shelters = shelters;
    while (m_buttons.size() > shelters.size())
        delete m_buttons.back(), m_buttons.pop_back();
    while (m_buttons.size() < shelters.size()) {
        const std::size_t index = m_buttons.size();
        auto* button = new QToolButton(this);
        button->setObjectName(QStringLiteral("shelter%1").arg(index));
        button->setPopupMode(QToolButton::InstantPopup);
        button->setToolTip(tr("How much this colour is held back, or no longer"));
        auto* menu = new QMenu(button);
        button->setMenu(menu);
        connect(menu, &QMenu::aboutToShow, this, [this, menu, index] { fillShelter(*menu, index); });
        m_row->addWidget(button);
        m_buttons.push_back(button);
    }
    for (std::size_t i = 0; i < shelters.size(); ++i)
        m_buttons[i]->setText(tr("%1 %2 %").arg(text(shelters[i].name)).arg(100 * shelters[i].amount, 0, 'f', 0));
    m_add->setEnabled(shelters.size() < kShelterLimit);
}

void ShelterRow::add(Shelter shelter)
{
    auto all = m_shelters;
    std::erase_if(all, [&](const Shelter& s) { return s.name == shelter.name; });
    const QString name = text(shelter.name);
    all.push_back(std::move(shelter));
    if (changed)
        changed(all, tr("Held back from %1").arg(name));
}

void ShelterRow::fillAdd(QMenu& menu)
{
    menu.clear();
    const auto known = keys ? keys() : std::vector<std::pair<KeyColour, LinearRgb>>{};
    if (!known.empty())
        addHeading(menu, tr("A key colour"));
    for (const auto& [key, colour] : known)
        menu.addAction(text(key.name), this, [this, name = key.name, colour = colour] {
            add({name, 1, nearColour(toOkLab(colour)), {}});
        });
    addHeading(menu, tr("A family"));
    for (const HueFamily& family : HueShifts::defaultFamilies())
        menu.addAction(text(family.name), this, [this, family] {
            add({family.name, 1, nearHue(family.centreDegrees, family.widthDegrees), {}});
        });
}

void ShelterRow::fillShelter(QMenu& menu, std::size_t index)
{
    menu.clear();
    if (index >= m_shelters.size())
        return;
    for (const int percent : {100, 75, 50, 25}) {
        QAction* action = menu.addAction(tr("%1 %").arg(percent), this, [this, index, percent] {
            auto all = m_shelters;
            all.at(index).amount = percent / 100.0;
            changed(all, tr("Held back from %1 by %2 %").arg(text(all[index].name)).arg(percent));
        });
        action->setCheckable(true);
        action->setChecked(std::lround(100 * m_shelters[index].amount) == percent);
    }
    menu.addSeparator();
    menu.addAction(tr("No longer"), this, [this, index] {
        auto all = m_shelters;
        const QString name = text(all.at(index).name);
        all.erase(all.begin() + static_cast<std::ptrdiff_t>(index));
        changed(all, tr("No longer held back from %1").arg(name));
    });
}

}  // namespace amber
