#include "app/guide/guide_sheet.h"

#include "app/guide/guide_text.h"
#include "app/shortcuts/shortcuts.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"

#include <QtWidgets>

static void initialiseGuide() { Q_INIT_RESOURCE(guide); }

namespace amber {
namespace {

QSettings settings() { return {QSettings::IniFormat, QSettings::UserScope, "jolly-amber", "guide"}; }

QLabel* label(QWidget* parent, const QString& words, const char* property = nullptr)
{
    auto* made = new QLabel(words, parent);
    if (property)
        made->setProperty(property, true);
    made->setWordWrap(true);
    made->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    return made;
}

QLayout* picturesOf(const GuidePage& page, QWidget* made)
{
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(18), grid->setVerticalSpacing(4);
    for (int i = 0; i < static_cast<int>(page.pictures.size()); ++i) {
        const GuidePage::Picture& picture = page.pictures[static_cast<std::size_t>(i)];
        auto* shown = new QLabel(made);
        shown->setPixmap(QPixmap(QStringLiteral(":/guide/%1.jpg").arg(QLatin1String(picture.name)))
                             .scaledToWidth(292, Qt::SmoothTransformation));
        shown->setAccessibleName(picture.title);
        const int row = 3 * (i / 3), column = i % 3;
        grid->addWidget(shown, row, column);
        grid->addWidget(label(made, picture.title, "strong"), row + 1, column);
        grid->addWidget(label(made, picture.words), row + 2, column);
        grid->setColumnStretch(column, 1);
    }
    return grid;
}

}  // namespace

bool GuideSheet::wasSeen() { return settings().value("seen", false).toBool(); }

void GuideSheet::setSeen() { settings().setValue("seen", true); }

GuideSheet::GuideSheet(QWidget* parent)
    : QDialog(parent), m_list(new QListWidget(this)), m_stack(new QStackedWidget(this))
{
    initialiseGuide();
    setObjectName("guideSheet");
    setWindowTitle(tr("Guide"));
    m_list->setObjectName("guidePages"), m_list->setAccessibleName(tr("Pages of the guide"));
    m_list->setFixedWidth(216);
    for (const GuidePage& page : guidePages()) {
        m_list->addItem(page.title);
        m_stack->addWidget(makePage(page));
    }
    connect(m_list, &QListWidget::currentRowChanged, m_stack, &QStackedWidget::setCurrentIndex);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(
        makeButton(this, "guideKeys", tr("All keys"), tr("Every shortcut there is"), [this] { showShortcuts(this); }));
    buttons->addStretch(1);
    auto* close = makeButton(this, "guideClose", tr("Close"), tr("F1 brings it back"), [this] { accept(); });
    close->setDefault(true);
    buttons->addWidget(close);
    auto* right = new QVBoxLayout;
    right->setContentsMargins(24, 20, 24, 16);
    right->addWidget(m_stack, 1), right->addLayout(buttons);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(m_list), layout->addLayout(right, 1);
    connect(this, &QDialog::finished, this, [] { setSeen(); });
    resize(1180, 720);
    m_list->setCurrentRow(0);
}

QWidget* GuideSheet::makePage(const GuidePage& page)
{
    auto* made = new QWidget(this);
    auto* layout = new QVBoxLayout(made);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(10);
    QLabel* title = label(made, page.title, "strong");
    title->setFont(theme::font(20, true));
    title->setStyleSheet(QStringLiteral("font-size: 20px;"));
    layout->addWidget(title);
    layout->addWidget(label(made, page.about));
    if (!page.pictures.empty()) {
        layout->addLayout(picturesOf(page, made));
    }
    for (const QString& line : page.does)
        layout->addWidget(label(made, QStringLiteral("–  ") + line));
    if (page.pictures.empty()) {
        layout->addSpacing(8);
        auto* grid = new QGridLayout;
        grid->setHorizontalSpacing(20), grid->setVerticalSpacing(5);
        int row = 0;
        for (const GuidePage::Key& key : page.keys) {
            grid->addWidget(label(made, key.keys, "strong"), row, 0);
            grid->addWidget(label(made, key.words), row++, 1);
        }
        grid->setColumnStretch(1, 1);
        layout->addLayout(grid);
    }
    layout->addStretch(1);
    return made;
}

void GuideSheet::show(const QString& id)
{
    for (int i = 0; i < static_cast<int>(guidePages().size()); ++i)
        if (id == QLatin1String(guidePages()[static_cast<std::size_t>(i)].id))
            m_list->setCurrentRow(i);
    QDialog::show();
    raise();
    activateWindow();
}

QString GuideSheet::page() const
{
    return QLatin1String(guidePages()[static_cast<std::size_t>(std::max(0, m_list->currentRow()))].id);
}

}  // namespace amber
