// The report of a shoot: what was asked, what was done, how it holds together, what was found and let stand. A plain
// value made from a job and its measures; written as PDF, HTML or JSON.
#pragma once

#include "core/page/pages.h"
#include "core/proof/consistency.h"

#include <map>
#include <optional>

namespace amber {

struct Report {
    std::string job, use, made;  ///< the job's name; for what it was checked; "2026-05-04 10:11", UTC

    struct LookPart {
        std::string name, intent, hash;
        std::vector<std::string> card;  ///< what was asked, in lines
        struct Step {
            std::string title, reason;
            std::vector<std::string> recipe;
        };
        std::vector<Step> steps;
        std::vector<std::pair<std::string, std::string>> versions;  ///< pinned: when, and the note
        int frames = 0;                                             ///< on which it lands
    };
    std::vector<LookPart> looks;

    struct LightPart {
        std::string name, lead;
        int frames = 0;
        PagePicture before, after;  ///< of its lead: balanced, and with its look
    };
    std::vector<LightPart> lights;

    struct Consistency {
        double within = 1, withinBefore = 1, spread = 0, spreadBefore = 0;
        std::vector<std::string> columns;  ///< key colours, then tones
        struct Row {
            std::string frame;
            bool isLead = false;
            std::vector<std::optional<double>> apart;  ///< from the lead of its light
            std::vector<bool> isWithin;
        };
        std::vector<Row> rows;
    };
    std::optional<Consistency> consistency;  ///< none: the job has no key colours

    struct FindingPart {
        std::string frame, check, title, words, because, unit;
        double value = 0, limit = 0;
        int decimals = 1;
        std::string reason;  ///< why it was let stand
        bool isAccepted = false;
    };
    std::vector<FindingPart> findings;                        ///< open ones first, the worst first
    int checked = 0;                                          ///< frames
    std::vector<std::pair<std::string, std::string>> unread;  ///< frames that could not be read, and why
    struct Reason {
        std::string made, what, reason;
    };
    std::vector<Reason> reasons;  ///< given with gestures, oldest first

    struct DeliveryPart {
        std::string recipe, folder, when;  ///< when the last of its files was written
        int files = 0;
    };
    std::vector<DeliveryPart> deliveries;
    struct RoundPart {
        int number = 1, files = 0, approved = 0;
        std::string asked, answered;  ///< answered: empty while it is waited for
        struct Remark {
            std::string frame, text, about;
            bool isDone = false;
        };
        std::vector<Remark> remarks;
    };
    std::vector<RoundPart> rounds;

    int open() const;
};

/// "web: 41 files in web, 2026-05-04 10:11"; "Round 2, asked 2026-05-04 10:11: 3 of 4 approved".
std::string inWords(const Report::DeliveryPart& delivery);
std::string inWords(const Report::RoundPart& round);
std::string inWords(const Report::RoundPart::Remark& remark);

/// The bytes of a PDF file (A4).
Result<std::string> reportPdf(const Report& report);
/// The same pages as pictures.
Result<std::vector<PagePicture>> reportPages(const Report& report, double pixelsPerPoint);
/// The page, and its pictures by their names; `pictures` is the folder they will lie in beside it. Fails when a picture
/// cannot be packed.
struct ReportPage {
    std::string html;
    std::map<std::string, std::string> pictures;  ///< file name and bytes
};
Result<ReportPage> reportHtml(const Report& report, const std::string& pictures);
/// Without pictures; "format": "jolly-amber-report", "version": 1.
std::string reportJson(const Report& report);

}  // namespace amber
