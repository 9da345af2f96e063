#include "app/places/match/match_sources.h"

#include "app/document/document.h"
#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {

MatchSources::MatchSources(std::function<QString()> folder, QWidget* parent)
    : QWidget(parent), m_folder(std::move(folder))
{
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(8);
    add("matchPictures", tr("Pictures…"),
        tr("One or several finished pictures; where several differ, the tolerance widens"), [this] {
            const QStringList paths =
                QFileDialog::getOpenFileNames(this, tr("Finished pictures to match to"), m_folder(), kinds());
            if (!paths.isEmpty())
                emit pictures(paths);
        });
    add("matchFrame", tr("Frame in hand"),
        tr("Holds the frame in hand, as it stands, as the reference; then take another frame in hand. What is taken "
           "then holds for that frame alone"),
        [this] { emit frame(); });
    add("matchPair", tr("Before and after…"),
        tr("One picture before and after an unknown treatment: it becomes editable steps"), [this] {
            if (const QStringList both = askPair(); !both.isEmpty())
                emit pair(both);
        });
    add("matchTable", tr("Table, look…"), tr("A lookup table or another look: it becomes editable steps"), [this] {
        const QString kinds = tr("Tables and looks (%1)").arg("*.cube *.clf *.cdl *.cc *.ccc *.png *.amberlook *.json");
        const QString path =
            QFileDialog::getOpenFileName(this, tr("A lookup table or another look"), m_folder(), kinds);
        if (!path.isEmpty())
            emit table(path);
    });
}

QString MatchSources::kinds() const
{
    return tr("Pictures (%1)").arg(QStringLiteral("*.") + Document::pictureEndings().join(QStringLiteral(" *.")));
}

QStringList MatchSources::askPair()
{
    const auto ask = [this](const QString& title) {
        return QFileDialog::getOpenFileName(this, title, m_folder(), kinds());
    };
    const QString before = ask(tr("The picture before the treatment"));
    const QString after = before.isEmpty() ? QString() : ask(tr("The same picture after it"));
    return after.isEmpty() ? QStringList() : QStringList{before, after};
}

void MatchSources::add(const char* name, const QString& words, const QString& tip, std::function<void()> act)
{
    layout()->addWidget(makeButton(this, name, words, tip, std::move(act)));
}

}  // namespace amber
