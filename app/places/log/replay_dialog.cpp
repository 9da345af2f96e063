#include "app/places/log/replay_dialog.h"

#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "core/look/look_difference.h"

#include <QtWidgets>

namespace amber {

ReplayDialog::ReplayDialog(Document& document, LookId look, const std::vector<LogEntry>& entries, QWidget* parent)
    : QDialog(parent), m_document(document), m_look(look), m_list(new QListWidget(this)), m_words(new QLabel(this)),
      m_made(tl::make_unexpected(Error{}))
{
    setObjectName("replayDialog");
    setWindowTitle(tr("Replay"));
    m_list->setObjectName("replayEntries");
    m_list->setAccessibleName(tr("Entries to do again"));
    for (const LogEntry& entry : entries) {
        QStringList lines;
        for (const std::string& line : entry.lines)
            lines << text(line);
        auto* item = new QListWidgetItem(
            tr("%1  %2: %3").arg(text(entry.time), text(entry.what), lines.mid(0, 2).join(QStringLiteral("; "))),
            m_list);
        item->setToolTip(lines.mid(0, 12).join(QLatin1Char('\n')));
        item->setData(Qt::UserRole, QVariant::fromValue<qlonglong>(entry.gesture));
        item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsUserCheckable | Qt::ItemIsSelectable);
        item->setCheckState(entry.isDone ? Qt::Checked : Qt::Unchecked);
    }
    auto* said = new QLabel(tr("The look as it was before the first of these, with what is ticked done again."), this);
    said->setProperty("quiet", true);
    m_words->setObjectName("replayWords");
    m_words->setWordWrap(true);
    m_words->setMinimumHeight(54);
    m_words->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    m_make = makeButton(this, "replayMake", tr("Make the version"),
                        tr("It becomes the look's current version, and is pinned"), [this] { make(); });
    auto* close = makeButton(this, "replayClose", tr("Leave it"), {}, [this] { reject(); });
    auto* buttons = new QHBoxLayout;
    buttons->addStretch(1), buttons->addWidget(close), buttons->addWidget(m_make);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(20, 18, 20, 16);
    layout->setSpacing(10);
    layout->addWidget(said), layout->addWidget(m_list, 1), layout->addWidget(m_words), layout->addLayout(buttons);
    resize(720, 480);
    connect(m_list, &QListWidget::itemChanged, this, &ReplayDialog::tryOut);
    tryOut();
}

void ReplayDialog::tryOut()
{
    std::vector<std::int64_t> chosen;
    for (int i = 0; i < m_list->count(); ++i)
        if (m_list->item(i)->checkState() == Qt::Checked)
            chosen.push_back(m_list->item(i)->data(Qt::UserRole).toLongLong());
    const std::int64_t from = m_list->count() > 0 ? m_list->item(0)->data(Qt::UserRole).toLongLong() : 0;
    m_made = replay(std::as_const(m_document).store(), m_look, chosen, from);
    m_make->setEnabled(m_made.has_value());
    if (!m_made) {
        m_words->setText(chosen.empty() ? tr("Tick what is to be done again.") : text(m_made.error().message()));
        return;
    }
    const auto now = m_document.looks().read(m_look);
    const DifferenceSummary d = now ? measuredDifference(*now, m_made->look) : DifferenceSummary{};
    QStringList words{d.maximum < 0.005 ? tr("The same colours as the look has now.")
                                        : tr("Against the look as it is now: ΔE00 mean %1, at most %2.")
                                              .arg(theme::number(d.mean, 2), theme::number(d.maximum, 2))};
    for (const std::string& line : m_made->leftOut)
        words << tr("Left out: %1").arg(text(line));
    m_words->setText(words.mid(0, 4).join(QLatin1Char('\n')));
}

void ReplayDialog::make()
{
    if (!m_made)
        return;
    const int entries = m_made->done;
    if (!m_document.commitLook(m_look, m_made->look, tr("Replayed %n entries", nullptr, entries)))
        return;
    m_document.keep([&](JobStore& store) {
        return store.pin(m_look, tr("replayed, %n entries", nullptr, entries).toStdString(), theme::surround());
    });
    accept();
}

}  // namespace amber
