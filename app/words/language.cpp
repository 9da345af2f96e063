#include "app/words/language.h"

#include "core/base/phrase.h"

#include <QCoreApplication>
#include <QLibraryInfo>

/// The translations live in a static library, so they are asked for by name (outside any namespace, as the macro
/// wants).
static void initialiseTranslations() { Q_INIT_RESOURCE(translations); }

namespace amber {
namespace {

const QString kEnglish = QStringLiteral("en");
QString g_current = kEnglish;

/// One word for one thing: wherever a text stands, its translation is the same.
class Words : public QTranslator {
public:
    QString translate(const char*, const char* text, const char*, int count) const override
    {
        return QTranslator::translate("app", text, nullptr, count);
    }
};

}  // namespace

QString Language::current() { return g_current; }

Language::Language(const QLocale& locale) : m_before(g_current)
{
    initialiseTranslations();
    for (const QString& wanted : locale.uiLanguages()) {
        const QString language = wanted.section('-', 0, 0);
        if (language == kEnglish || language == QLatin1String("C"))
            return;
        auto words = std::make_unique<Words>();
        if (!words->load(QStringLiteral(":/translations/jolly-amber_%1.qm").arg(language)))
            continue;
        // What the toolkit says itself, where it is installed; our own words come before it.
        auto toolkit = std::make_unique<QTranslator>();
        if (toolkit->load(QStringLiteral("qtbase_") + language, QLibraryInfo::path(QLibraryInfo::TranslationsPath)))
            m_installed.push_back(std::move(toolkit));
        // What core says comes out of the same catalogue.
        setCatalogue(
            [own = words.get()](const char* english, int count) {
                return own->translate(nullptr, english, nullptr, count).toStdString();
            },
            locale.decimalPoint() == QLatin1String(",") ? ',' : '.');
        m_installed.push_back(std::move(words));
        for (const auto& translator : m_installed)
            QCoreApplication::installTranslator(translator.get());
        g_current = language;
        return;
    }
}

Language::~Language()
{
    setCatalogue({});
    for (const auto& translator : m_installed)
        QCoreApplication::removeTranslator(translator.get());
    g_current = m_before;
}

}  // namespace amber
