// Words for people that are made in core: English as they stand here, or what a catalogue has for them. Core knows no
// languages; who shows its words gives it the catalogue (app/words/language.h), commands leave them as they are.
// tools/translate finds the texts by these two names: they are written out where they are called.
#pragma once

#include <cstddef>
#include <functional>
#include <initializer_list>
#include <string>

namespace amber {

/// `english` with %1 ... %9 replaced by the parts, in one pass: a part may hold what looks like a place.
/// Parts that are numbers ("+0.50") get the language's decimal sign.
std::string phrase(const char* english, std::initializer_list<std::string> parts = {});
/// One of two texts by a count, which stands in %n: "%n frame", "%n frames". The catalogue knows them by the second.
std::string countedPhrase(std::size_t count, const char* one, const char* many,
                          std::initializer_list<std::string> parts = {});

/// Gives a text in another language, or nothing; the count is -1 where none is told. Called from any thread.
using Catalogue = std::function<std::string(const char* english, int count)>;
void setCatalogue(Catalogue catalogue, char decimalSign = '.');

}  // namespace amber
