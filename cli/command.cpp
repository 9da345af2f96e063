#include "cli/command.h"

namespace amber::cli {

void Session::deliver(const ExportReport& report, const std::string& look, std::size_t wanted)
{
    Json list = Json::array();
    for (const Delivery& d : report.deliveries) {
        if (!d.fault.empty())
            this->report(Error{d.fault, {}, {}, {}}, 1);
        else if (!json)
            std::cout << d.target.string() << "\n";
        list.push_back({{"source", d.source.string()}, {"target", d.target.string()}, {"fault", d.fault}});
        if (d.isKept)
            list.back()["kept"] = true;
        if (d.quality > 0)
            list.back()["quality"] = d.quality;
    }
    if (json)
        print({{"look", look}, {"cancelled", report.cancelled}, {"pictures", std::move(list)}});
    if (!report.warning.empty())
        std::cerr << "amber: " << report.warning << "\n";
    if (report.cancelled) {
        const std::string done = std::to_string(report.deliveries.size()) + " of " + std::to_string(wanted);
        this->report(Error{"cancelled: " + done + " pictures done", {}, {}, {}}, 1);
    }
}

}  // namespace amber::cli
