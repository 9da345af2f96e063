// Texts that jobs keep: the first byte says which. Refused or thrown by the standard's own, never worse; what is read
// is written and read again.
#include "core/area/area.h"
#include "core/frame/frame_balance.h"
#include "core/handover/made_of.h"
#include "core/job/kept_texts.h"
#include "core/measure/framing.h"
#include "core/measure/key_colour.h"
#include "core/retouch/grey_print.h"
#include "core/retouch/sent_file.h"
#include "tests/fuzz/demand.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    if (size == 0)
        return 0;
    const std::string text(reinterpret_cast<const char*>(data) + 1, size - 1);
    const auto noMask = [](const std::string&) { return PackedMask{}; };
    try {
        switch (data[0] % 11) {
        case 0:
            if (const auto area = areaFromText(text, noMask))
                demand(areaFromText(areaToText(*area), noMask).has_value());
            break;
        case 1:
            if (const auto balance = frameBalanceFromText(text))
                demand(frameBalanceFromText(frameBalanceToText(*balance)).has_value());
            break;
        case 2:
            (void)responseFromText(text);
            break;
        case 3:
            (void)framingFromText(text);
            break;
        case 4:
            (void)keyColoursFromText(text);
            break;
        case 5:
            standInFromText(text);
            break;
        case 6:
            demand(pinFromText(pinToText(pinFromText(text))) == pinFromText(text));
            break;
        case 7:
            ticksFromText(text);
            break;
        case 8:
            handOverFromText(text);
            break;
        case 9:
            (void)sentFileFromText(text, noMask);
            break;
        default:
            greyPrintFromText(text), (void)factsFromText(text);
        }
    } catch (const std::exception&) {
    }
    return 0;
}
