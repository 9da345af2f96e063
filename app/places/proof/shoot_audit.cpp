#include "app/places/proof/shoot_audit.h"

#include "core/job/shoot_work.h"

#include <QTimer>
#include <algorithm>

namespace amber {
namespace {
constexpr int kPause = 700;  // milliseconds after the last change before frames are checked again
}

ShootAudit::ShootAudit(Document& document, RenderQueue& queue, QObject* parent)
    : QObject(parent), m_document(document), m_task(new Task(this)),
      m_trying(new RenderSlot(queue, RenderQueue::Priority::Companion, this)), m_again(new QTimer(this)),
      m_shared(std::make_shared<Shared>())
{
    m_again->setSingleShot(true);
    m_again->setInterval(kPause);
    connect(m_again, &QTimer::timeout, this, &ShootAudit::check);
    follow();
}

ShootAudit::~ShootAudit() = default;

void ShootAudit::follow()
{
    connect(&m_document, &Document::leaving, this, [this] {
        m_isLeft = m_task->isRunning();
        m_task->cancel(), m_again->stop();
        m_shared = std::make_shared<Shared>();
        m_shoot = {}, m_frames.clear(), m_isStale = false;
        forgetCures();
        tell();
    });
    connect(&m_document, &Document::opened, this, &ShootAudit::tell);
    const auto soiled = [this] { soil(); };
    connect(&m_document, &Document::framesChanged, this, soiled);
    connect(&m_document, &Document::keyColoursChanged, this, soiled);
    connect(&m_document, &Document::keyPlacesChanged, this, soiled);
    connect(&m_document, &Document::lightsChanged, this, soiled);
    connect(&m_document, &Document::balancesChanged, this, soiled);
    connect(&m_document, &Document::areasChanged, this, soiled);
    connect(&m_document, &Document::usedChanged, this, soiled);
    connect(&m_document, &Document::setsChanged, this, soiled);
    connect(&m_document, &Document::chosenLooksChanged, this, soiled);
    connect(&m_document.looks(), &LooksInHand::revisionsChanged, this, soiled);
    connect(&m_document, &Document::acceptedChanged, this, &ShootAudit::tell);
    connect(&m_document, &Document::checkUsesChanged, this, [this] {
        forgetCures();
        tell();
    });
}

void ShootAudit::forgetCures()
{
    m_trying->drop();
    m_tried.clear(), m_cures.clear();
}

void ShootAudit::soil()
{
    if (!isChecked()) {
        emit changed();
        return;
    }
    m_isStale = true;
    forgetCures();
    if (m_isShown)
        m_again->start();
    emit changed();
}

void ShootAudit::setShown(bool on)
{
    m_isShown = on;
    if (on && m_isStale)
        m_again->start();
    if (!on)
        m_again->stop();
}

std::vector<ReadFrame> ShootAudit::framesNow() const
{
    return framesToCheck(m_document.job(), m_document.frames(),
                         [this](LookId id) { return m_document.looks().read(id); });
}

Look ShootAudit::lookForAll() const
{
    return m_document.looks().read(m_document.looks().lookForAll()).value_or(Look{});
}

void ShootAudit::check()
{
    if (m_task->isRunning()) {
        // What was measured by then is kept; the rest is measured as it is now.
        m_task->cancel();
        m_again->start();
        return;
    }
    forgetCures();
    const auto frames = std::make_shared<std::vector<ReadFrame>>(framesNow());
    const auto keys = std::make_shared<std::vector<KeyColour>>(m_document.job().keys);
    const auto look = std::make_shared<Look>(lookForAll());
    const auto checked = std::make_shared<std::optional<CheckedShoot>>();
    m_isStale = m_isLeft = false;
    m_task->start(
        [shared = m_shared, frames, keys, look, checked](const Task::Progress& progress, const CancelToken& cancel) {
            const std::lock_guard lock(shared->mutex);
            *checked = shared->checker.check(*frames, *keys, *look, progress, cancel);
        },
        [this, frames, keys, look, checked](bool cancelled) {
            if (m_isLeft)
                return;
            if (cancelled || !*checked) {
                m_isStale = m_isStale || isChecked();
                emit changed();
                return;
            }
            m_shoot = std::move(**checked);
            m_frames = std::move(*frames), m_keys = std::move(*keys), m_look = std::move(*look);
            forgetCures();
            tell();
        });
    emit changed();
}

const CheckUse& ShootAudit::use() const
{
    const CheckUse* use = m_document.job().useOf(m_document.desk().use);
    return use ? *use : checkUses().front();
}

void ShootAudit::chooseUse(const std::string& name)
{
    m_document.changeDesk([&](Desk& desk) { desk.use = name; });
    forgetCures();
    tell();
}

const Acceptance* ShootAudit::acceptanceOf(const Finding& finding) const
{
    return amber::acceptanceOf(finding, use().name, m_document.job().accepted);
}

void ShootAudit::tell()
{
    m_findings = m_shoot.findings(use());
    const auto accepted = std::stable_partition(m_findings.begin(), m_findings.end(),
                                                [this](const Finding& f) { return !acceptanceOf(f); });
    m_open = static_cast<int>(accepted - m_findings.begin());
    emit changed();
}

std::string ShootAudit::nameOf(const Finding& f) const
{
    return std::to_string(f.frame) + " " + f.kind->id + " " + f.measured.part + " " + std::to_string(f.measured.value);
}

const CureTried* ShootAudit::cureOf(const Finding& finding)
{
    const std::string name = nameOf(finding);
    if (const auto known = m_cures.find(name); known != m_cures.end())
        return &known->second;
    if (m_isStale || m_task->isRunning() || m_tried == name)
        return nullptr;
    m_tried = name;
    m_trying->run(
        [shared = m_shared, finding, frames = m_frames, keys = m_keys, look = m_look,
         use = use()](const CancelToken& cancel) -> std::optional<CureTried> {
            const std::lock_guard lock(shared->mutex);
            if (cancel.isCancelled())
                return std::nullopt;
            return shared->checker.cure(finding, frames, keys, look, use);
        },
        [this, name](const std::optional<CureTried>& tried) {
            m_tried.clear();
            if (!tried)
                return;
            m_cures[name] = *tried;
            emit cureTried();
        });
    return nullptr;
}

void ShootAudit::take(const Finding& finding, const Cure& cure)
{
    const QString action = tr("Cure taken: %1").arg(text(cure.words));
    if (!cure.treatment.changesLook) {
        m_document.balances().set({{finding.frame, cure.treatment.balance}}, action);
        return;
    }
    const LookId chosen = m_document.job().lookOf(finding.frame);
    m_document.commitLook(chosen != 0 ? chosen : m_document.looks().lookForAll(), cure.treatment.look, action);
}

void ShootAudit::accept(const Finding& finding, const QString& reason)
{
    Job after = m_document.job();
    after.accepted[idOf(finding, use().name)] = {finding.measured.value, reason.toStdString()};
    m_document.commit(after, tr("%1 accepted").arg(tr(finding.kind->title)), reason);
}

void ShootAudit::reopen(const Finding& finding)
{
    Job after = m_document.job();
    after.accepted.erase(idOf(finding, use().name));
    m_document.commit(after, tr("%1 is open again").arg(tr(finding.kind->title)));
}

}  // namespace amber
