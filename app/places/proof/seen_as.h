// A finished picture as others see it: on their screens, or printed; with what is lost there measured. What the screens
// tab shows, made off its thread.
#pragma once

#include "core/display/print_measures.h"

#include <QImage>
#include <mutex>
#include <optional>

namespace amber {

/// What was measured of a print.
struct PrintFacts {
    PrintEnds ends;
    bool saysInk = false;
    double mostInk = 0, pastShare = 0;  ///< per cent; of the pixels past the limit
    double outsideShare = 0;            ///< of the pixels that cannot be printed
};

struct SeenPicture {
    QImage picture;
    QString words;
    std::optional<PrintFacts> print;
};

/// What is marked on prints.
enum class PrintMarks { Nothing, OutsideGamut, InkPast };

/// Makes views and measures once for a profile and its options. Thread safe: one piece of work at a time.
class SeenAs {
public:
    struct Choices {
        std::optional<DeviceProfile> screen;  ///< in front of the artist
        ViewOptions print;                    ///< intents, black point, paper white
        double inkLimit = 280;                ///< per cent
        PrintMarks marks = PrintMarks::Nothing;
    };
    /// `profile`: of the other screen or the printer; none: as it is handed over.
    SeenPicture seen(ImageView finished, const std::optional<DeviceProfile>& profile, const Choices& choices);

private:
    struct Key {
        std::optional<DeviceProfile> screen, proof, client;
        ViewIntent intent{};
        bool blackPoint = false, paperWhite = false;
        bool operator==(const Key&) const = default;
    };
    Result<std::shared_ptr<const ViewTransform>> view(const std::optional<DeviceProfile>& screen,
                                                      const ViewOptions& options);
    std::shared_ptr<const PrintMeasures> measures(const DeviceProfile& profile, const PrintChoices& choices);
    void print(SeenPicture& seen, ImageView finished, const ViewTransform& view, const DeviceProfile& profile,
               const Choices& choices);

    std::mutex m_mutex;
    std::vector<std::pair<Key, std::shared_ptr<const ViewTransform>>> m_views;
    std::vector<std::pair<std::pair<DeviceProfile, PrintChoices>, std::shared_ptr<const PrintMeasures>>> m_prints;
};

}  // namespace amber
