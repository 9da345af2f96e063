#include "app/places/shoot/bring_in_dialog.h"

#include "app/document/document.h"
#include "app/places/shoot/intake.h"
#include "core/job/bring_in.h"

#include <QtWidgets>

namespace amber {

QPushButton* BringInDialog::chooseButton(QLineEdit* edit, const char* name, const QString& words)
{
    edit->setObjectName(name);
    edit->setAccessibleName(words);
    auto* browse = new QPushButton(tr("Choose…"), this);
    browse->setObjectName(QString(name) + "Browse");
    connect(browse, &QPushButton::clicked, this, [this, edit, words] {
        const QString folder = QFileDialog::getExistingDirectory(this, words, edit->text());
        if (!folder.isEmpty())
            edit->setText(folder);
    });
    connect(edit, &QLineEdit::textChanged, this, &BringInDialog::refresh);
    return browse;
}

BringInDialog::BringInDialog(const QString& from, const QString& into, QWidget* parent)
    : QDialog(parent), m_from(new QLineEdit(from, this)), m_into(new QLineEdit(into, this)),
      m_copy(new QCheckBox(tr("Copy them into"), this)), m_words(new QLabel(this)),
      m_start(new QPushButton(tr("Bring in"), this))
{
    setObjectName("bringInDialog");
    setWindowTitle(tr("Bring pictures in"));
    setMinimumWidth(560);
    auto* grid = new QGridLayout;
    grid->setVerticalSpacing(10);
    grid->addWidget(new QLabel(tr("From a folder or card"), this), 0, 0);
    grid->addWidget(m_from, 0, 1);
    grid->addWidget(chooseButton(m_from, "bringInFrom", tr("From a folder or card")), 0, 2);
    m_copy->setObjectName("bringInCopy");
    m_copy->setChecked(true);
    m_copy->setToolTip(tr("Each copy is read back and compared. Without this the pictures stay where they are."));
    connect(m_copy, &QCheckBox::toggled, this, &BringInDialog::refresh);
    grid->addWidget(m_copy, 1, 0);
    grid->addWidget(m_into, 1, 1);
    grid->addWidget(chooseButton(m_into, "bringInInto", tr("Folder for the copies")), 1, 2);
    m_words->setObjectName("bringInWords");
    m_words->setProperty("quiet", true);
    m_words->setWordWrap(true);
    m_start->setObjectName("bringInStart");
    m_start->setDefault(true);
    connect(m_start, &QPushButton::clicked, this, &QDialog::accept);
    auto* cancel = new QPushButton(tr("Cancel"), this);
    connect(cancel, &QPushButton::clicked, this, &QDialog::reject);
    auto* buttons = new QHBoxLayout;
    buttons->addStretch(1);
    buttons->addWidget(cancel);
    buttons->addWidget(m_start);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(18, 16, 18, 14);
    layout->setSpacing(12);
    layout->addLayout(grid);
    layout->addWidget(m_words);
    layout->addLayout(buttons);
    refresh();
}

QString BringInDialog::from() const { return m_from->text(); }
QString BringInDialog::into() const { return m_copy->isChecked() ? m_into->text() : QString(); }

void BringInDialog::refresh()
{
    const bool exists = QFileInfo(m_from->text()).isDir();
    const std::size_t count = exists ? picturesUnder(m_from->text().toStdString(), pictureEndings()).size() : 0;
    m_into->setEnabled(m_copy->isChecked());
    m_start->setEnabled(count > 0 && (!m_copy->isChecked() || !m_into->text().isEmpty()));
    m_words->setText(m_from->text().isEmpty() ? tr("Pictures are known by their content: what the job has already is "
                                                   "named and left out. Metadata files (.xmp) beside them come along.")
                     : !exists                ? tr("There is no such folder.")
                     : count == 0             ? tr("No pictures in this folder.")
                                  : tr("%L1 pictures. What the job has already is named and left out.").arg(count));
}

}  // namespace amber
