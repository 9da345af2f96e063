#include "core/table_files/table_file.h"

#include "core/base/atomic_file.h"
#include "core/image/write.h"
#include "core/table/cube_file.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fstream>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr std::size_t kTextLimitBytes = std::size_t{256} << 20;
constexpr float kCodeShare = 1e-5f;  // less than a 16-bit code
constexpr std::array<std::string_view, 4> kNames{"cube", "clf", "hald", "cdl"};

int levelOf(int size)
{
    for (int level = 2; level <= 11; ++level)
        if (level * level == size)
            return level;
    return 0;
}

Result<Table> readHald(const fs::path& path)
{
    const auto info = readPictureInfo(path);
    if (!info)
        return tl::make_unexpected(info.error());
    const auto side = [](int n) { return std::to_string(n * n * n); };
    bool known = false;
    for (int level = 2; level <= 11; ++level)
        known = known || (info->width == level * level * level && info->height == info->width);
    if (!known)
        return fail("not a Hald picture", path.string(),
                    "a square picture, " + side(2) + ", " + side(3) + ", … or " + side(11) + " pixels wide",
                    std::to_string(info->width) + " x " + std::to_string(info->height));
    if (info->format != "png" || info->bits != 16)
        return fail("a Hald picture needs 16 bits a channel", path.string(), "PNG with 16 bits",
                    info->format + " with " + std::to_string(info->bits) + " bits");
    if (info->hasAlpha)
        return fail("a Hald picture has no alpha", path.string(), "red, green and blue");
    char header[26] = {};
    if (std::ifstream in(path, std::ios::binary);
        in.read(header, sizeof header) && header[25] == 0)  // PNG, section 11.2.2: colour type
        return fail("a Hald picture has colours", path.string(), "red, green and blue", "grey");
    const auto picture = readEncoded(path);
    if (!picture)
        return tl::make_unexpected(picture.error());
    const ImageView view = picture->image.view();
    return tableOfHald({view.data, view.data + static_cast<std::size_t>(view.width) * view.height * 3}, view.width,
                       view.height, path.string());
}

Status writeHald(const fs::path& path, const Table& table)
{
    const int level = levelOf(table.size3);
    if (table.size1 > 0 || table.cdl || level == 0)
        return fail("a Hald picture cannot hold this table", path.string(),
                    "a cube of 4, 9, 16, 25, 36, 49, 64, 81, 100 or 121 to the edge and nothing else",
                    table.size3 > 0 ? std::to_string(table.size3) + " to the edge" : "no cube");
    for (std::size_t k = 0; k < 3; ++k)
        if (table.domainMin3[k] != 0 || table.domainMax3[k] != 1)
            return fail("a Hald picture cannot hold this table", path.string(), "the domain 0 to 1");
    const auto outside = std::count_if(table.values3.begin(), table.values3.end(),
                                       [](float v) { return !(v >= -kCodeShare && v <= 1 + kCodeShare); });
    if (outside > 0)
        return fail("a Hald picture cannot hold this table", path.string(), "values from 0 to 1",
                    std::to_string(outside) + " values outside");
    EncodedPicture picture;
    const int side = level * level * level;
    picture.image = Image(side, side);
    std::copy(table.values3.begin(), table.values3.end(), picture.image.mutableView().data);
    picture.format = "png";
    picture.bits = 16;
    return writeEncoded(path, picture);
}

}  // namespace

std::string_view nameOf(TableFormat format) { return kNames[static_cast<std::size_t>(format)]; }

Result<TableFormat> tableFormatFromEnding(const fs::path& path)
{
    std::string ending = path.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    if (ending == ".cube")
        return TableFormat::Cube;
    if (ending == ".clf")
        return TableFormat::Clf;
    if (ending == ".png")
        return TableFormat::Hald;
    if (ending == ".cc" || ending == ".ccc" || ending == ".cdl")
        return TableFormat::Cdl;
    return fail("unknown kind of table", path.string(), ".cube, .clf, .png (Hald), .cc, .ccc or .cdl",
                ending.empty() ? "no ending" : ending);
}

Result<Table> tableOfHald(const std::vector<float>& rgb, int width, int height, const std::string& name)
{
    for (int level = 2; level <= 11; ++level) {
        if (width != level * level * level || height != width ||
            rgb.size() != static_cast<std::size_t>(width) * height * 3)
            continue;
        Table table;
        table.size3 = level * level;
        table.values3 = rgb;
        return table;
    }
    return fail("not a Hald picture", name, "a square of 8, 27, 64, … pixels",
                std::to_string(width) + " x " + std::to_string(height));
}

Result<TableFile> readTableFile(const fs::path& path)
{
    // "grades.ccc#warm" names one of several corrections.
    fs::path file = path;
    std::string id;
    if (std::error_code error; !fs::exists(path, error))
        if (const std::string whole = path.string(); whole.find('#') != std::string::npos) {
            id = whole.substr(whole.rfind('#') + 1);
            file = whole.substr(0, whole.rfind('#'));
        }
    char head[8] = {};
    if (std::ifstream in(file, std::ios::binary); in)
        in.read(head, sizeof head);
    if (std::string_view(head, 4) == "\x89PNG") {
        auto table = readHald(file);
        return table ? Result<TableFile>(TableFile{std::move(*table), TableFormat::Hald, {}})
                     : tl::make_unexpected(table.error());
    }
    const auto text = readWholeFile(file, kTextLimitBytes);
    if (!text)
        return tl::make_unexpected(text.error());
    std::string_view body = *text;
    if (body.rfind("\xEF\xBB\xBF", 0) == 0)
        body.remove_prefix(3);
    const std::size_t first = body.find_first_not_of(" \t\r\n");
    if (first == std::string_view::npos || body[first] != '<') {
        auto table = parseCube(*text, path.string());
        return table ? Result<TableFile>(TableFile{std::move(*table), TableFormat::Cube, {}})
                     : tl::make_unexpected(table.error());
    }
    if (body.find("<ProcessList") != std::string_view::npos)
        return parseClf(body, path.string());
    auto table = parseCdl(body, file.string(), id);
    return table ? Result<TableFile>(TableFile{std::move(*table), TableFormat::Cdl, {}})
                 : tl::make_unexpected(table.error());
}

Status writeTableFile(const fs::path& path, const Table& table, TableFormat format)
{
    if (format == TableFormat::Hald)
        return writeHald(path, table);
    if (format == TableFormat::Cube && table.cdl)
        return fail("a .cube file cannot hold a CDL", path.string(), "a 1D or 3D part: bake it first");
    std::string ending = path.extension().string();
    const Result<std::string> text = format == TableFormat::Cube  ? formatCube(table)
                                     : format == TableFormat::Clf ? formatClf(table)
                                                                  : formatCdl(table, ending);
    if (!text) {
        Error error = text.error();
        error.where = path.string();
        return tl::make_unexpected(error);
    }
    return saveFile(path, *text);
}

}  // namespace amber
