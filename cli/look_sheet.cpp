// The recipe of a look, to print or to read.
#include "core/analysis/look_sheet.h"
#include "cli/command.h"
#include "core/base/atomic_file.h"
#include "core/image/read.h"

#include <filesystem>

namespace amber::cli {
namespace {

struct SheetOptions {
    std::string look, out;
    std::vector<std::string> pictures;
};

void runSheet(const SheetOptions& o, Session& session)
{
    const auto look = session.look(o.look);
    if (!look)
        return;
    std::vector<std::pair<std::string, Image>> pictures;
    for (const std::string& path : o.pictures) {
        auto picture = readReduced(path, kSheetEdge, false);
        if (!picture)
            return session.report(picture.error());
        pictures.emplace_back(std::filesystem::path(path).filename().string(), std::move(picture->image));
    }
    const auto sheet = lookSheet(*look, pictures);
    if (!sheet)
        return session.report(sheet.error());
    if (o.out.empty()) {
        if (session.json)
            return session.print({{"text", lookSheetText(*sheet)}});
        std::cout << lookSheetText(*sheet);
        return;
    }
    const bool isPdf = std::filesystem::path(o.out).extension() == ".pdf";
    if (!isPdf && std::filesystem::path(o.out).extension() != ".txt")
        return session.report(Error{"no kind of sheet has this ending", o.out, ".pdf or .txt", {}});
    const auto bytes = isPdf ? lookSheetPdf(*sheet) : Result<std::string>(lookSheetText(*sheet));
    const Status done = bytes ? saveFile(o.out, *bytes) : tl::make_unexpected(bytes.error());
    if (!done)
        return session.report(done.error());
    if (session.json)
        session.print({{"file", o.out}});
    else
        std::cout << o.out << "\n";
}

}  // namespace

void addLookSheet(CLI::App& look, Session& session)
{
    const auto o = std::make_shared<SheetOptions>();
    CLI::App* sheet = look.add_subcommand(
        "sheet", "The recipe of a look: its steps in words and numbers with their reasons, pictures before and after");
    sheet->add_option("look", o->look, "The look (.json)")->required();
    sheet->add_option("pictures", o->pictures, "Pictures to show before and after");
    sheet->add_option("-o,--out", o->out, "A file ending in .pdf or .txt; without, the text is printed");
    sheet->footer("Example: amber demo --dir D && amber look sheet D/looks/long-evening.json D/north-window-02.jpg -o "
                  "D/long-evening.pdf");
    sheet->callback([o, &session] { runSheet(*o, session); });
}

}  // namespace amber::cli
