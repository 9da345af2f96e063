#include "app/places/log/version_tab.h"

#include "app/places/log/log_model.h"
#include "app/render/finished.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "app/words/words.h"
#include "core/base/json_text.h"
#include "core/image/resize.h"
#include "core/log/change_words.h"

#include <QtWidgets>

namespace amber {
namespace {

QComboBox* combo(QWidget* parent, const char* name, const QString& spoken)
{
    auto* box = new QComboBox(parent);
    box->setObjectName(name), box->setAccessibleName(spoken);
    box->setMinimumContentsLength(18);
    box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    return box;
}

}  // namespace

VersionTab::VersionTab(Document& document, ProxyStore& proxies, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_look(combo(this, "versionLook", tr("Look"))),
      m_from(combo(this, "versionFrom", tr("First version"))), m_to(combo(this, "versionTo", tr("Second version"))),
      m_before(new PictureView(this)), m_after(new PictureView(this)), m_numbers(new QLabel(this)),
      m_words(new QPlainTextEdit(this)), m_slot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
    setObjectName("versionTab");
    nameParts();
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 8);
    row->setSpacing(8);
    row->addWidget(m_look), row->addWidget(m_from, 1);
    row->addWidget(new QLabel(tr("against"), this));
    row->addWidget(m_to, 1);
    auto* copy = makeButton(
        this, "versionCopy", tr("Copy"), tr("The difference in words and numbers, for the clipboard"), [this] {
            QGuiApplication::clipboard()->setText(m_numbers->text() + QLatin1Char('\n') + m_words->toPlainText());
        });
    row->addWidget(copy);
    auto* pictures = new QHBoxLayout;
    pictures->setContentsMargins(12, 12, 12, 12);
    pictures->setSpacing(12);
    pictures->addWidget(m_before, 1), pictures->addWidget(m_after, 1);
    auto* words = new QVBoxLayout;
    words->setContentsMargins(16, 10, 16, 12);
    words->setSpacing(8);
    words->addWidget(m_numbers), words->addWidget(m_words);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(row), layout->addLayout(pictures, 1), layout->addLayout(words);
    connectAll();
}

void VersionTab::nameParts()
{
    m_before->setObjectName("versionBefore"), m_after->setObjectName("versionAfter");
    m_before->setAccessibleName(tr("The frame with the first version"));
    m_after->setAccessibleName(tr("The frame with the second version"));
    m_numbers->setObjectName("versionNumbers"), m_numbers->setProperty("strong", true);
    m_words->setObjectName("versionWords"), m_words->setAccessibleName(tr("What differs"));
    m_words->setReadOnly(true), m_words->setTabChangesFocus(true);
    m_words->setFixedHeight(170);
}

void VersionTab::connectAll()
{
    connect(m_look, &QComboBox::currentIndexChanged, this, &VersionTab::fillVersions);
    for (QComboBox* box : {m_from, m_to})
        connect(box, &QComboBox::currentIndexChanged, this, &VersionTab::measure);
    connect(m_before, &PictureView::resized, this, &VersionTab::measure);
    connect(&m_proxies, &ProxyStore::proxyReady, this, [this](std::int64_t frame) {
        if (frame == m_document.selection().frameInHand())
            measure();
    });
    connect(&m_document.selection(), &Selection::frameChosen, this, &VersionTab::measure);
    for (const auto changed : {&Document::historyChanged, &Document::opened})
        connect(&m_document, changed, this, [this] {
            m_isStale = true;
            if (isVisible())
                fill();
        });
}

void VersionTab::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    if (m_isStale)
        fill();
    QMetaObject::invokeMethod(this, &VersionTab::measure, Qt::QueuedConnection);
}

/// The versions of every look: those that count after its gestures.
void VersionTab::fill()
{
    m_isStale = false;
    m_entries.clear();
    if (m_document.isOpen())
        if (const auto entries = std::as_const(m_document).store().entries())
            for (const JournalEntry& entry : *entries)
                for (const Change& change : entry.changes)
                    if (change.part == Change::Part::Look && !change.after.empty())
                        m_entries[lookOf(change)].push_back({entry.gesture, {change}, entry.isDone});
    const QVariant look =
        m_look->count() > 0 ? m_look->currentData() : QVariant::fromValue<qlonglong>(m_document.looks().lookId());
    {
        const QSignalBlocker blocker(m_look);
        m_look->clear();
        if (m_document.isOpen())
            for (const LookEntry& entry : m_document.looks().entries())
                m_look->addItem(text(entry.name), QVariant::fromValue<qlonglong>(entry.id));
        m_look->setCurrentIndex(std::max(0, m_look->findData(look)));
    }
    fillVersions();
}

void VersionTab::fillVersions()
{
    const LookId look = m_look->currentData().toLongLong();
    const QVariant from = m_from->currentData(), to = m_to->currentData();
    const JobStore* store = m_document.isOpen() ? &std::as_const(m_document).store() : nullptr;
    for (QComboBox* box : {m_from, m_to}) {
        const QSignalBlocker blocker(box);
        box->clear();
        if (!store || look == 0)
            continue;
        box->addItem(tr("now"), QVariant::fromValue<qlonglong>(store->currentRevision(look)));
        if (const auto pins = store->pins(look))
            for (const PinnedVersion& pin : *pins)
                box->addItem(tr("pinned: %1").arg(text(pin.note)), QVariant::fromValue<qlonglong>(pin.revision));
        const auto& entries = m_entries[look];
        for (auto entry = entries.rbegin(); entry != entries.rend(); ++entry) {
            const Json json = Json::parse(entry->changes.front().after, nullptr, false);
            const QDateTime made = QDateTime::fromString(text(entry->gesture.made), "yyyy-MM-dd HH:mm:ss");
            const QDateTime here = QDateTime(made.date(), made.time(), Qt::UTC).toLocalTime();
            box->addItem(tr("%1  %2").arg(QLocale().toString(here, QLocale::ShortFormat), text(entry->gesture.what)) +
                             (entry->isDone ? QString() : tr(" (taken back)")),
                         QVariant::fromValue<qlonglong>(json.value("revision", RevisionId{0})));
        }
    }
    const QSignalBlocker one(m_from), other(m_to);
    const int kept = m_from->findData(from);
    m_from->setCurrentIndex(kept >= 0 ? kept : m_from->count() - 1);
    m_to->setCurrentIndex(std::max(0, m_to->findData(to)));
    measure();
}

void VersionTab::show(LookId look, std::int64_t gesture)
{
    fill();
    m_look->setCurrentIndex(std::max(0, m_look->findData(QVariant::fromValue<qlonglong>(look))));
    for (const JournalEntry& entry : m_entries[look])
        if (entry.gesture.id == gesture) {
            const Json json = Json::parse(entry.changes.front().after, nullptr, false);
            const qlonglong revision = json.value("revision", RevisionId{0});
            m_from->setCurrentIndex(std::max(0, m_from->findData(revision)));
        }
    m_to->setCurrentIndex(0);
    measure();
}

void VersionTab::measure()
{
    const Frame* frame = m_document.isOpen() ? m_document.frame(m_document.selection().frameInHand()) : nullptr;
    if (!isVisible())
        return;
    const auto before = m_document.looks().lookAt(m_from->currentData().toLongLong()),
               after = m_document.looks().lookAt(m_to->currentData().toLongLong());
    const QSize space = m_before->pictureSpace();
    const auto proxy = frame ? m_proxies.proxy(frame->id, frame->path) : nullptr;
    if (!before || !after || !proxy || space.isEmpty())
        return showNothing(!m_document.isOpen() ? tr("Nothing is open.")
                           : !before || !after  ? tr("No such version.")
                                                : tr("Reading…"));
    m_before->setCaption(m_from->currentText()), m_after->setCaption(m_to->currentText());
    const PictureName name = m_document.looks().pictureName(frame->id);
    struct Made {
        Result<VersionDifference> difference;
        QImage before, after;
    };
    m_isMeasuring = true;
    m_slot->run(
        [proxy, one = lookFor(*before, name), other = lookFor(*after, name), space,
         title = titleOf(*frame).toStdString()](const CancelToken&) {
            Image small = reducedToFit(proxy->image.view(), space.width(), space.height());
            Made made{versionDifference(one, other, {{title, std::move(small)}}), {}, {}};
            if (made.difference)
                made.before = onScreen(made.difference->pictures.front().before, space),
                made.after = onScreen(made.difference->pictures.front().after, space);
            return made;
        },
        [this](const Made& made) {
            m_isMeasuring = false;
            if (made.difference)
                put(*made.difference, made.before, made.after);
            else
                m_numbers->setText(text(made.difference.error().message()));
        });
}

void VersionTab::showNothing(const QString& words)
{
    m_words->clear(), m_numbers->clear();
    for (PictureView* view : {m_before, m_after})
        view->clear();
    m_before->setMessage(words);
}

void VersionTab::put(const VersionDifference& difference, const QImage& before, const QImage& after)
{
    ++m_number;
    m_before->setImages(m_number, before, before), m_after->setImages(m_number, after, after);
    const PictureDifference& on = difference.pictures.front().difference;
    m_numbers->setText(on.maximum < 0.005
                           ? tr("The same on this frame.")
                           : tr("On this frame ΔE00 mean %1, 95 % below %2, at most %3; over all colours mean %4.")
                                 .arg(theme::number(on.mean, 2), theme::number(on.percentile95, 2),
                                      theme::number(on.maximum, 2), theme::number(difference.colours.mean, 2)));
    QStringList lines;
    for (const std::string& line : difference.words)
        lines << sentence(line);
    m_words->setPlainText(lines.isEmpty() ? tr("The same values.") : lines.join(QLatin1Char('\n')));
}

}  // namespace amber
