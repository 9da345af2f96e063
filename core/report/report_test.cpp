// Contact sheets and reports as files: what stands in them can be read back by other programs, and nothing is cut.
#include "core/base/json_text.h"
#include "core/image/jpeg_bytes.h"
#include "core/report/job_report.h"
#include "tests/support/picture_files.h"
#include "tests/support/temporary_folder.h"

#include <fstream>
#include <gtest/gtest.h>

namespace amber::test {
namespace {
namespace fs = std::filesystem;

PagePicture grey(int width, int height, std::uint32_t rgb)
{
    return {width, height, std::vector<std::uint32_t>(static_cast<std::size_t>(width * height), 0xff000000U | rgb), {}};
}

/// The pages of a PDF as text, by another program.
std::string textOf(const fs::path& pdf)
{
    const TemporaryFolder folder;
    const auto out = folder / "out.txt";
    EXPECT_EQ(std::system(("pdftotext -layout '" + pdf.string() + "' '" + out.string() + "'").c_str()), 0);
    return readText(out);
}

std::string fontsOf(const fs::path& pdf)
{
    const TemporaryFolder folder;
    const auto out = folder / "out.txt";
    EXPECT_EQ(std::system(("pdffonts '" + pdf.string() + "' > '" + out.string() + "'").c_str()), 0);
    return readText(out);
}

int count(const std::string& text, const std::string& what)
{
    int n = 0;
    for (auto at = text.find(what); at != text.npos; at = text.find(what, at + what.size()))
        ++n;
    return n;
}

Report report()
{
    Report r;
    r.job = "Pots <and> pans", r.use = "print", r.made = "2026-05-04 10:11";
    Report::LookPart look;
    look.name = "Long evening", look.intent = "Warm & low", look.hash = "0123456789abcdef", look.frames = 7;
    look.card = {"key dark"};
    look.steps = {{"1  Chroma", "the sky stays behind", {"even 0.78"}}};
    look.versions = {{"2026-05-03 09:00:00", "client's choice"}};
    r.looks = {look};
    r.lights = {{"Yard", "yard-01", 7, grey(300, 200, 0x808080), grey(300, 200, 0xb08040)}};
    Report::Consistency table{0.9, 0.5, 2.1, 6.3, {}, {}};
    for (int k = 0; k < 9; ++k)
        table.columns.push_back("thing number " + std::to_string(k));
    for (int i = 0; i < 200; ++i) {
        Report::Consistency::Row row{"frame-" + std::to_string(i), i == 0, {}, {}};
        for (int k = 0; k < 9; ++k)
            row.apart.emplace_back(k == 3 ? std::nullopt : std::optional(i / 10.0)), row.isWithin.push_back(i < 30);
        table.rows.push_back(row);
    }
    r.consistency = table;
    r.checked = 200;
    r.findings = {
        {"yard-03", "tilt", "Tilt", "the frame leans 2.6° to the right", "It shows.", "°", 2.6, 2.5, 1, "", false},
        {"yard-04", "noise", "Noise", "grain of 1.9", "It shows.", "", 1.9, 1, 1, "meant, \"as film\"", true}};
    r.unread = {{"yard-09", "it is cut short"}};
    r.deliveries = {{"web", "web", "2026-05-04 10:11", 41}};
    r.rounds = {{2,
                 41,
                 39,
                 "2026-05-04 10:12:00",
                 "2026-05-05 09:00:00",
                 {{"yard-03", "Too <dark>", "Long evening, round 2", false}}}};
    r.reasons = {{"2026-05-04 10:00:00", "Noise accepted", "meant, \"as film\""}};
    return r;
}

TEST(Report, AsPdfHasItsTextItsFontsAndEveryRow)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(saveReport(folder / "out.pdf", report()));
    const std::string text = textOf(folder / "out.pdf");
    for (const char* words : {"Pots <and> pans", "Long evening", "Warm & low", "Asked: key dark", "even 0.78",
                              "client's choice", "leans 2.6°", "meant, \"as film\"", "could not be read", "90 %",
                              "web: 41 files in web", "39 of 41 approved", "yard-03: Too <dark> (open)"})
        EXPECT_NE(text.find(words), std::string::npos) << words;
    for (int i = 0; i < 200; ++i)
        EXPECT_NE(text.find("frame-" + std::to_string(i)), std::string::npos) << i;
    EXPECT_GE(count(text, "\f"), 4) << "pages";
    EXPECT_EQ(count(text, "thing number 8"), 0) << "narrow heads are broken into lines, not cut";
    const std::string fonts = fontsOf(folder / "out.pdf");
    EXPECT_GE(count(fonts, "Inter"), 2);
    EXPECT_EQ(count(fonts, " no  yes"), 0) << "every font is embedded\n" << fonts;
}

TEST(Report, AsAPageHasItsPicturesBesideAndAsDataAllOfIt)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(saveReport(folder / "out.html", report()));
    const std::string html = readText(folder / "out.html");
    EXPECT_NE(html.find("Pots &lt;and&gt; pans"), std::string::npos);
    EXPECT_EQ(html.find("<and>"), std::string::npos);
    for (const char* name : {"light-1-balanced.jpg", "light-1-finished.jpg"}) {
        EXPECT_NE(html.find("out-pictures/" + std::string(name)), std::string::npos);
        const auto picture = readPicture(folder / "out-pictures" / name);
        ASSERT_TRUE(picture) << picture.error().message();
        EXPECT_EQ(picture->info.width, 300);
    }
    // Written again it replaces itself; what somebody else wrote stays.
    EXPECT_TRUE(saveReport(folder / "out.html", report()));
    std::ofstream(folder / "mine.json") << "mine";
    EXPECT_FALSE(saveReport(folder / "mine.json", report()));
    EXPECT_EQ(readText(folder / "mine.json"), "mine");
    EXPECT_FALSE(saveReport(folder / "out.doc", report()));
    const Json json = Json::parse(reportJson(report()));
    EXPECT_EQ(json["open"], 1);
    EXPECT_EQ(json["findings"][1]["reason"], "meant, \"as film\"");
    EXPECT_EQ(json["consistency"]["frames"].size(), 200u);
    EXPECT_TRUE(json["consistency"]["frames"][1]["apart"][3].is_null());
}

std::string nameOf(int frame) { return (frame < 10 ? "pot-0" : "pot-") + std::to_string(frame); }

ContactSheet sheetOf(int frames)
{
    ContactSheet sheet;
    sheet.title = "Pots", sheet.foot = "Pots · Long evening";
    for (int i = 0; i < frames; ++i)
        sheet.cells.push_back({nameOf(i), i < 5 ? "Yard" : "Lamp"});
    return sheet;
}

TEST(ContactSheetPages, HoldEveryFrameOnceUnderItsHeading)
{
    const TemporaryFolder folder;
    ContactSheet sheet = sheetOf(43);
    std::vector<int> asked(43);
    const CellPicture picture = [&](std::size_t cell, int longEdge) {
        ++asked[cell];
        EXPECT_GT(longEdge, 400) << "300 pixels an inch";
        return cell % 2 ? grey(longEdge, longEdge / 2, 0x405060) : grey(longEdge / 2, longEdge, 0x908070);
    };
    ASSERT_TRUE(saveContactSheet(folder / "sheet.pdf", sheet, picture, 1200));
    EXPECT_EQ(asked, std::vector<int>(43, 1));
    const std::string text = textOf(folder / "sheet.pdf");
    for (int i = 0; i < 43; ++i)
        EXPECT_EQ(count(text, nameOf(i)), 1) << i;
    EXPECT_EQ(count(text, "Yard"), 1);
    EXPECT_EQ(count(text, "Lamp"), 1);
    EXPECT_EQ(count(text, "page "), pageCount(sheet));
    EXPECT_EQ(count(text, "\f"), pageCount(sheet));
}

TEST(ContactSheetPages, AreOnePictureWhenAskedAndCancelledLeaveNothing)
{
    const TemporaryFolder folder;
    const auto picture = [](std::size_t, int longEdge) { return grey(longEdge, longEdge * 2 / 3, 0x205080); };
    ASSERT_TRUE(saveContactSheet(folder / "sheet.jpg", sheetOf(9), picture, 1000));
    const auto read = readPicture(folder / "sheet.jpg");
    ASSERT_TRUE(read);
    EXPECT_EQ(read->info.width, 1000);
    EXPECT_EQ(read->info.profile.title.empty(), false);
    // The colour of the cells lies on it as it was given.
    bool isFound = false;
    for (int y = 0; y < read->info.height && !isFound; y += 7)
        for (int x = 0; x < read->info.width && !isFound; x += 7) {
            const float* p = read->image.view().row(y) + 3 * x;
            const EncodedRgb c = encode(RgbSpace::Srgb, {p[0], p[1], p[2]});
            isFound = std::abs(c.r - 0x20 / 255.0) < 0.03 && std::abs(c.b - 0x80 / 255.0) < 0.03;
        }
    EXPECT_TRUE(isFound);
    CancelToken cancel;
    cancel.cancel();
    EXPECT_FALSE(saveContactSheet(folder / "none.pdf", sheetOf(9), picture, 1000, {}, cancel));
    EXPECT_FALSE(fs::exists(folder / "none.pdf"));
    EXPECT_EQ(pageCount(sheetOf(0)), 1);
}

TEST(JpegBytes, AreAPictureOthersRead)
{
    const TemporaryFolder folder;
    const PagePicture picture = grey(33, 17, 0x406080);
    const auto bytes = jpegBytes(picture.width, picture.height, picture.pixels, 95);
    ASSERT_TRUE(bytes);
    std::ofstream(folder / "a.jpg", std::ios::binary) << *bytes;
    const auto read = readPicture(folder / "a.jpg");
    ASSERT_TRUE(read);
    EXPECT_EQ(read->info.width, 33);
    EXPECT_EQ(read->info.height, 17);
}

}  // namespace
}  // namespace amber::test
