#include "app/places/handover/retouch_tab.h"

#include "app/places/handover/send_dialog.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "core/base/json_text.h"
#include "core/image/read.h"

#include <QtWidgets>

namespace amber {
namespace {

enum Column { FrameColumn, StateColumn, StepsColumn, SpotsColumn, SentColumn, ColumnCount };
constexpr const char* kLeftRecord = "left";
constexpr int kRest = 1500;            // milliseconds
constexpr const char* kBack = "back";  // subfolder of what was sent, in which files that come back are looked for

const QStringList& endings()
{
    static const QStringList all{"*.tif", "*.tiff", "*.png", "*.jpg", "*.jpeg", "*.webp"};
    return all;
}

/// The stretched view with what is proposed in it.
QImage drawn(const Image& view, const std::vector<DustSpot>& spots)
{
    QImage image(view.width(), view.height(), QImage::Format_RGB32);
    std::vector<std::uint8_t> codes(static_cast<std::size_t>(view.width()) * view.height() * 3);
    encodeToCodes(view.view(), RgbSpace::Srgb, codes.data());
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) {
            const std::uint8_t* c = &codes[3 * (static_cast<std::size_t>(y) * image.width() + x)];
            image.setPixel(x, y, qRgb(c[0], c[1], c[2]));
        }
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    const double edge = std::max(image.width(), image.height());
    for (const DustSpot& spot : spots) {
        const QPointF at(spot.at.x * image.width(), spot.at.y * image.height());
        const double radius = std::max(7.0, 3 * spot.radius * edge);
        painter.setPen(QPen(QColor(0, 0, 0), 3));
        painter.drawEllipse(at, radius, radius);
        painter.setPen(QPen(QColor(255, 255, 255), 1.4));
        painter.drawEllipse(at, radius, radius);
    }
    return image;
}

/// What was found when a file came back, as it is kept.
QString factOf(const StandInFile& in, const char* name)
{
    const Json json = Json::parse(in.facts, nullptr, false);
    return json.is_object() ? text(json.value(name, std::string())) : QString();
}

}  // namespace

void RetouchTab::makeTable()
{
    m_table->setObjectName("sentFiles"), m_table->setAccessibleName(tr("Files sent for retouching"));
    m_table->setColumnCount(ColumnCount);
    m_table->setHorizontalHeaderLabels({tr("Frame"), tr("State"), tr("Steps in it"), tr("Spots"), tr("Sent")});
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    m_table->setShowGrid(false), m_table->setWordWrap(true);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setSelectionMode(QAbstractItemView::SingleSelection);
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    m_table->horizontalHeader()->setSectionResizeMode(StateColumn, QHeaderView::Stretch);
    m_table->setColumnWidth(FrameColumn, 150), m_table->setColumnWidth(StepsColumn, 90);
    m_table->setColumnWidth(SpotsColumn, 56), m_table->setColumnWidth(SentColumn, 130);
}

QLayout* RetouchTab::makeButtons()
{
    m_send = makeButton(this, "retouchSend", tr("Send…"),
                        tr("16-bit files of frames, and a list of what is to be done"), [this] { askSend(); });
    m_back = makeButton(
        this, "retouchBack", tr("Take back…"), tr("Files that came back take the place of their frames"), [this] {
            takeBack(QFileDialog::getOpenFileNames(this, tr("Files that came back"),
                                                   m_document.placeOf(m_document.desk().handOver.outside),
                                                   tr("Pictures (%1)").arg(endings().join(' '))));
        });
    m_cure = makeButton(this, "retouchCure", tr("Cure colours"),
                        tr("Colours that drifted on the way are brought back, outside and inside retouched places"),
                        [this] { cure(); });
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(8);
    m_whose = makeButton(this, "retouchWhose", tr("Whose is it?…"),
                         tr("A file came back that is not known: say which frame it is of"),
                         [this] { takeBack(std::exchange(m_unknown, {})); });
    for (QPushButton* button : {m_send, m_back, m_cure, m_whose})
        buttons->addWidget(button);
    buttons->addStretch(1);
    buttons->addWidget(makeTaskBar(*m_task, "retouchTask", this));
    return buttons;
}

RetouchTab::RetouchTab(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_task(new Task(this)), m_reading(new Task(this)),
      m_watcher(new QFileSystemWatcher(this)), m_table(new QTableWidget(this)), m_words(new QLabel(this)),
      m_picture(new QLabel(this)), m_caption(new QLabel(this))
{
    setObjectName("retouchTab");
    makeTable();
    m_words->setObjectName("retouchWords"), m_words->setWordWrap(true);
    m_picture->setObjectName("stretchedView"), m_picture->setAccessibleName(tr("Stretched view"));
    m_picture->setAlignment(Qt::AlignCenter), m_picture->setMinimumHeight(160);
    m_picture->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Ignored);
    m_picture->installEventFilter(this);
    m_caption->setProperty("quiet", true), m_caption->setWordWrap(true), m_caption->setObjectName("stretchedWords");
    auto* buttons = makeButtons();
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(10);
    layout->addLayout(buttons);
    layout->addWidget(m_words);
    layout->addWidget(m_table, 2);
    layout->addWidget(m_picture, 3);
    layout->addWidget(m_caption);
    connect(m_table, &QTableWidget::currentCellChanged, this, &RetouchTab::showStretched);
    connect(m_watcher, &QFileSystemWatcher::directoryChanged, this, &RetouchTab::lookForFiles);
    for (const auto changed : {&Document::opened, &Document::recordsChanged, &Document::framesChanged})
        connect(&document, changed, this, &RetouchTab::refresh);
    connect(&document, &Document::opened, this, &RetouchTab::watch);
    connect(&document, &Document::leaving, this, [this] {
        m_waiting.clear(), m_task->cancel();
        m_seen.clear(), m_unknown.clear();
    });
    refresh();
}

const SentFile* RetouchTab::chosen() const
{
    const int row = m_table->currentRow();
    return row < 0 || row >= static_cast<int>(m_sent.size()) ? nullptr : &m_sent[static_cast<std::size_t>(row)];
}

void RetouchTab::refresh()
{
    m_sent = m_document.isOpen() ? sentFilesOf(std::as_const(m_document).store()) : std::vector<SentFile>{};
    std::reverse(m_sent.begin(), m_sent.end());
    const auto stands = m_document.isOpen() ? std::as_const(m_document).store().standIns() : std::vector<StandInFile>{};
    const int row = m_table->currentRow();
    m_table->setRowCount(static_cast<int>(m_sent.size()));
    for (int i = 0; i < m_table->rowCount(); ++i) {
        const SentFile& sent = m_sent[static_cast<std::size_t>(i)];
        const Frame* frame = m_document.frame(sent.frame);
        QString state = tr("out%1").arg(sent.note.empty() ? QString() : QStringLiteral(": ") + text(sent.note));
        for (const StandInFile& in : stands)
            if (in.id == sent.cameBack) {
                const auto& now = m_document.job().frame(sent.frame).standIn;
                state = now && now->file == in.id ? factOf(in, "words")
                                                  : tr("came back, taken back since: the frame is as it was");
            }
        const QString cells[] = {frame ? titleOf(*frame) : text(sent.name), state,
                                 QLocale().toString(static_cast<int>(sent.inside.size())),
                                 QLocale().toString(static_cast<int>(sent.spots.size())), text(sent.made).left(16)};
        for (int k = 0; k < ColumnCount; ++k) {
            auto* item = new QTableWidgetItem(cells[k]);
            item->setToolTip(k == FrameColumn ? text(sent.name) : cells[k]);
            m_table->setItem(i, k, item);
        }
    }
    if (m_table->rowCount() > 0)
        m_table->setCurrentCell(std::clamp(row, 0, m_table->rowCount() - 1), 0);
    if (m_words->text().isEmpty() || m_sent.empty())
        m_words->setText(m_sent.empty() ? tr("Nothing is out. Frames that are sent go with an identity in them: when "
                                             "they come back they take their frame's place, and only the steps that "
                                             "are not in them run.")
                                        : QString());
    m_send->setEnabled(m_document.isOpen() && !m_document.frames().empty() && !isBusy());
    m_whose->setVisible(!m_unknown.isEmpty());
    m_whose->setEnabled(!isBusy());
    m_back->setEnabled(m_document.isOpen() && !m_sent.empty() && !isBusy());
    showStretched();
}

void RetouchTab::askSend()
{
    m_document.looks().commitAll();
    const QString before = m_document.placeOf(m_document.desk().handOver.outside);
    SendDialog dialog(m_document, before.isEmpty() ? m_document.folder() + QStringLiteral("/retouching") : before,
                      this);
    if (dialog.exec() == QDialog::Accepted)
        send(dialog.choices(), dialog.folder());
}

void RetouchTab::send(const SendChoices& choices, const QString& folder)
{
    if (!m_document.isOpen() || m_task->isRunning())
        return;
    const auto order = std::make_shared<const SendOrder>(
        sendOrderOf(std::as_const(m_document).store(), m_document.frames(), m_document.looks().lookForAll(), choices));
    const auto report = std::make_shared<Result<SendReport>>(fail(tr("stopped").toStdString()));
    m_document.changeDesk([&](Desk& desk) { desk.handOver.outside = m_document.keptPlace(folder); });
    m_words->setText(tr("Sending…"));
    m_task->start(
        [order, report, to = folder.toStdString()](const Task::Progress& progress, const CancelToken& cancel) {
            *report = sendOut(
                *order, to, [&](int done, int total, const Delivery&) { progress(done, total); }, cancel);
        },
        [this, order, report, folder](bool) {
            if (!*report) {
                m_words->setText(text(report->error().message()));
                return refresh();
            }
            m_document.keep([&](JobStore& store) { return addSent(store, **report, folder.toStdString()); });
            QStringList words{tr("%L1 sent to %2").arg((*report)->sent.size()).arg(folder)};
            for (const std::string& fault : order->faults)
                words << text(fault);
            for (const Delivery& d : (*report)->deliveries)
                if (!d.fault.empty())
                    words << text(d.fault);
            if (!(*report)->warning.empty())
                words << text((*report)->warning);
            m_words->setText(words.join(QStringLiteral(" · ")));
            QDir().mkpath(folder + QLatin1Char('/') + kBack);
            watch();
            refresh();
        });
    refresh();
}

void RetouchTab::takeBack(const QStringList& files, std::optional<FrameId> frame, bool withCure)
{
    for (const QString& file : files)
        m_waiting.push_back({file, frame, withCure});
    if (!m_task->isRunning())
        takeNext();
}

void RetouchTab::takeNext()
{
    if (m_waiting.empty() || !m_document.isOpen())
        return refresh();
    const Waiting next = m_waiting.front();
    m_waiting.erase(m_waiting.begin());
    m_document.looks().commitAll();
    m_words->setText(tr("Looking at %1…").arg(QFileInfo(next.file).fileName()));
    const auto order = std::make_shared<const BackOrder>(
        backOrderOf(std::as_const(m_document).store(), m_document.frames(), next.file.toStdString(), next.frame));
    const auto back = std::make_shared<Result<CameBack>>(fail(tr("stopped").toStdString()));
    m_task->start(
        [order, back, cure = next.withCure](const Task::Progress&, const CancelToken& cancel) {
            *back = amber::takeBack(*order, cure, cancel);
        },
        [this, back, isFound = next.isFound](bool) {
            if (!*back) {
                m_words->setText(text(back->error().message()));
                emit taken(m_words->text());
            } else if ((*back)->isAsking) {
                isFound ? askLater(**back) : askWhose(**back);
            } else {
                settle(**back);
            }
            if (m_waiting.empty())
                refresh();
            else
                takeNext();
        });
    refresh();
}

void RetouchTab::settle(const CameBack& back)
{
    Result<Job> job = fail("");
    const bool isKept = m_document.keep([&](JobStore& store) -> Status {
        job = withReturned(store, back);
        return job ? Status() : Status(tl::make_unexpected(job.error()));
    });
    const Frame* frame = m_document.frame(back.sent.frame);
    const QString name = frame ? titleOf(*frame) : text(back.sent.name);
    if (!isKept || !m_document.commit(*job, tr("%1 came back retouched").arg(name)))
        return;
    m_words->setText(QStringLiteral("%1: %2").arg(name, text(backWords(back))));
    emit taken(m_words->text());
}

void RetouchTab::askWhose(const CameBack& back)
{
    QDialog dialog(this);
    dialog.setObjectName("whoseDialog");
    dialog.setWindowTitle(tr("Whose picture is it?"));
    dialog.resize(420, 380);
    auto* words =
        new QLabel(tr("%1 came back: %2.").arg(text(back.file.filename()), text(back.recognised.words)), &dialog);
    words->setWordWrap(true);
    auto* list = new QListWidget(&dialog);
    list->setObjectName("whoseList"), list->setAccessibleName(tr("Frames that were sent, the likeliest first"));
    const std::vector<SentFile> sent = sentFilesOf(std::as_const(m_document).store());
    std::set<FrameId> listed;
    for (const auto& candidate : back.recognised.candidates) {
        const FrameId id = sent.at(candidate.sent).frame;
        if (const Frame* frame = m_document.frame(id); frame && listed.insert(id).second) {
            auto* item = new QListWidgetItem(titleOf(*frame), list);
            item->setData(Qt::UserRole, QVariant::fromValue<qlonglong>(id));
        }
    }
    list->setCurrentRow(0);
    auto* take = makeButton(&dialog, "whoseTake", tr("It is this one"), {}, [&dialog] { dialog.accept(); });
    take->setDefault(true);
    auto* buttons = new QHBoxLayout;
    buttons->addStretch(1);
    buttons->addWidget(makeButton(&dialog, "whoseLeave", tr("Leave it"), {}, [&dialog] { dialog.reject(); }));
    buttons->addWidget(take);
    auto* layout = new QVBoxLayout(&dialog);
    layout->addWidget(words), layout->addWidget(list, 1), layout->addLayout(buttons);
    if (dialog.exec() == QDialog::Accepted && list->currentItem()) {
        m_waiting.insert(m_waiting.begin(), {text(back.file), list->currentItem()->data(Qt::UserRole).toLongLong()});
        return;
    }
    leave(back);
}

void RetouchTab::leave(const CameBack& back)
{
    // It is not asked about again, unless it is changed.
    m_document.keep([&](JobStore& store) -> Status {
        const auto kept = store.addRecord(kLeftRecord, jsonText({{"standing", back.standing}}));
        return kept ? Status() : Status(tl::make_unexpected(kept.error()));
    });
    m_words->setText(tr("%1 was left: %2").arg(text(back.file.filename()), text(backWords(back))));
    emit taken(m_words->text());
}

void RetouchTab::askLater(const CameBack& back)
{
    m_unknown << text(back.file);
    m_words->setText(tr("%1 came back and is not known: %2").arg(text(back.file.filename()), text(backWords(back))));
    emit taken(m_words->text());
}

void RetouchTab::cure()
{
    const SentFile* sent = chosen();
    for (const StandInFile& in : std::as_const(m_document).store().standIns())
        if (sent && in.id == sent->cameBack)
            return takeBack({factOf(in, "from")}, sent->frame, true);
}

void RetouchTab::watch()
{
    if (!m_watcher->directories().isEmpty())
        m_watcher->removePaths(m_watcher->directories());
    const QString folder = m_document.placeOf(m_document.desk().handOver.outside);
    if (!m_document.isOpen() || folder.isEmpty() || !QFileInfo(folder + QLatin1Char('/') + kBack).isDir())
        return;
    m_watcher->addPath(folder + QLatin1Char('/') + kBack);
    lookForFiles();
}

void RetouchTab::lookForFiles()
{
    const QDir folder(m_document.placeOf(m_document.desk().handOver.outside) + QLatin1Char('/') + kBack);
    std::set<std::string> known;
    for (const StandInFile& in : std::as_const(m_document).store().standIns())
        known.insert(factOf(in, "standing").toStdString());
    for (const Record& left : std::as_const(m_document).store().records(kLeftRecord).value_or(std::vector<Record>{}))
        if (const Json json = Json::parse(left.json, nullptr, false); json.is_object())
            known.insert(json.value("standing", std::string()));
    bool isGrowing = false;
    for (const QFileInfo& file : folder.entryInfoList(endings(), QDir::Files, QDir::Name)) {
        const std::string standing = standingOf(file.absoluteFilePath().toStdString());
        // What is still being written is looked at when it rests.
        if (file.lastModified().msecsTo(QDateTime::currentDateTime()) < kRest)
            isGrowing = true;
        else if (known.count(standing) == 0 && m_seen.insert(standing).second)
            m_waiting.push_back({file.absoluteFilePath(), std::nullopt, false, true});
    }
    if (isGrowing)
        QTimer::singleShot(kRest / 2, this, &RetouchTab::lookForFiles);
    if (!m_waiting.empty() && !m_task->isRunning())
        takeNext();
}

void RetouchTab::showStretched()
{
    const SentFile* sent = chosen();
    const auto stands = m_document.isOpen() ? std::as_const(m_document).store().standIns() : std::vector<StandInFile>{};
    bool isDrifted = false;
    for (const StandInFile& in : stands)
        if (const Json json = Json::parse(in.facts, nullptr, false);
            sent && in.id == sent->cameBack && json.is_object())
            isDrifted = json.contains("drift") && !json.value("cured", false);
    m_cure->setVisible(isDrifted);
    m_cure->setEnabled(!isBusy());
    if (!sent) {
        m_stretched = {}, m_shown = 0;
        m_caption->clear();
        return layPicture();
    }
    if (m_shown == sent->record || m_reading->isRunning())
        return;
    m_shown = sent->record;
    const auto image = std::make_shared<QImage>();
    m_reading->start(
        [image, file = std::filesystem::path(m_document.placeOf(sent->place).toStdString()),
         spots = sent->spots](const Task::Progress&, const CancelToken&) {
            constexpr int kEdge = 1400;
            if (const auto picture = readReduced(file, kEdge, false))
                *image = drawn(stretchedView(picture->image.view(), kEdge), spots);
        },
        [this, image, record = sent->record, spots = sent->spots.size()](bool) {
            m_stretched = QPixmap::fromImage(*image);
            m_caption->setText(
                image->isNull() ? tr("The file that was sent is not where it was.")
                : spots == 1    ? tr("Stretched: dust and uneven light are seen. One spot is proposed.")
                                : tr("Stretched: dust and uneven light are seen. %L1 spots are proposed.").arg(spots));
            layPicture();
            if (const SentFile* now = chosen(); now && now->record != record)
                showStretched();
        });
}

void RetouchTab::layPicture()
{
    m_picture->setPixmap(m_stretched.isNull()
                             ? QPixmap()
                             : m_stretched.scaled(m_picture->size(), Qt::KeepAspectRatio, Qt::SmoothTransformation));
}

bool RetouchTab::eventFilter(QObject* watched, QEvent* event)
{
    if (watched == m_picture && event->type() == QEvent::Resize)
        layPicture();
    return QWidget::eventFilter(watched, event);
}

}  // namespace amber
