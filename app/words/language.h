// The language of the screen: English as it is written, or a translation out of app/translations.
#pragma once

#include <QLocale>
#include <QTranslator>
#include <map>
#include <memory>
#include <vector>

namespace amber {

/// As long as it lives, words are in the first of the user's languages that there is.
class Language {
public:
    explicit Language(const QLocale& locale);
    ~Language();
    Language(const Language&) = delete;
    Language& operator=(const Language&) = delete;
    /// "en", "de".
    static QString current();

private:
    std::vector<std::unique_ptr<QTranslator>> m_installed;
    QString m_before;
};

/// A table of words, made once for each language and kept: `make` gives it in the current one.
template <class Make>
const auto& inLanguage(const Make& make)
{
    static std::map<QString, decltype(make())> kept;
    const QString language = Language::current();
    const auto found = kept.find(language);
    return found != kept.end() ? found->second : kept.emplace(language, make()).first->second;
}

}  // namespace amber
