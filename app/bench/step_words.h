// The words for the fields of steps, as the bench shows them: in one place, so that translators find them.
#pragma once

#include <QString>
#include <string>

namespace amber {

struct FieldWords {
    QString label, tip;
    double step = 0.01;  ///< of one key or wheel click
    int decimals = 2;
};

/// For a field of a kind of step ("contrast", "slope"). A field without words is shown by its name.
FieldWords wordsFor(const std::string& kind, const std::string& field);
/// For one of the values of a choice ("soft-light").
QString choiceWord(const std::string& value);
/// The name of a parameter, for lists: any kind of step.
QString parameterTitle(const std::string& kind, const std::string& field);

}  // namespace amber
