#include "app/bench/scope_words.h"

#include "app/bench/step_words.h"
#include "app/theme/theme.h"
#include "app/words/words.h"

#include <QObject>

namespace amber {
namespace {

QString withSign(double value, int decimals)
{
    return (value > 0 ? QStringLiteral("+") : QString()) + theme::decimal(value, decimals);
}

}  // namespace

QString valueWords(const Json& value)
{
    if (value.is_boolean())
        return value.get<bool>() ? QObject::tr("on") : QObject::tr("off");
    if (value.is_number())
        return theme::decimal(value.get<double>(), 2);
    if (value.is_string())
        return choiceWord(value.get<std::string>());
    if (value.is_array())
        return QObject::tr("%1 entries").arg(value.size());
    if (value.is_object() && value.contains("turn"))
        return QObject::tr("turn %1°, chroma ×%2, L %3")
            .arg(withSign(value.value("turn", 0.0), 0), theme::decimal(value.value("chroma", 1.0), 2),
                 withSign(value.value("lightness", 0.0), 2));
    return value.is_null() ? QObject::tr("as it was") : QString();
}

QString partTitle(const Step& step, const std::string& part)
{
    if (part == step_part::kEnabled)
        return QObject::tr("switch");
    if (part == step_part::kStrength)
        return QObject::tr("strength");
    if (part == step_part::kGuard)
        return QObject::tr("guard");
    const std::string families = std::string(step_part::kFamilies) + "/";
    if (part.rfind(families, 0) == 0)
        return text(part.substr(families.size()));
    return parameterTitle(typeOf(step), part);
}

QString holderWords(const Job& job, const std::string& holder)
{
    if (holder.empty())
        return QObject::tr("travels");
    const auto name = setOfHolder(holder);
    if (!name)
        return QObject::tr("this frame");
    const FrameSet* set = job.setOf(*name);
    if (!set)
        return text(*name);
    const int light = set->ofLight == 0 ? -1 : job.lightOf(set->ofLight);
    const QString title = light < 0 ? text(*name) : text(job.lights.at(static_cast<std::size_t>(light)).name);
    return QStringLiteral("%1 · %2").arg(title).arg(job.framesOf(*set).size());
}

QString changedTitle(const Step& step, const std::string& part, const std::string& pointer)
{
    return pointer.empty() ? partTitle(step, part)
                           : QObject::tr("%1 of %2").arg(text(pointer.substr(1)), partTitle(step, part));
}

}  // namespace amber
