#include "core/table/cube_file.h"
#include "core/table/table_report.h"
#include "tests/support/random_look.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>
#include <map>

namespace amber {
namespace {

using test::Random;
namespace fs = std::filesystem;

const fs::path kData = fs::path(AMBER_SOURCE_DIR) / "tests/data/cube";

std::vector<fs::path> filesIn(const fs::path& folder)
{
    std::vector<fs::path> all;
    for (const auto& entry : fs::directory_iterator(folder))
        all.push_back(entry.path());
    std::sort(all.begin(), all.end());
    return all;
}

TEST(Cube, EveryLegalFileIsReadAndWrittenBackExactly)
{
    const auto files = filesIn(kData / "legal");
    ASSERT_GE(files.size(), 8u);
    for (const fs::path& file : files) {
        const auto table = readCube(file);
        ASSERT_TRUE(table) << table.error().message();
        const auto again = parseCube(formatCube(*table), "again");
        ASSERT_TRUE(again) << again.error().message();
        EXPECT_EQ(*again, *table) << file;
    }
    const auto commented = readCube(kData / "legal/3d-comments-and-tabs.cube");
    EXPECT_EQ(commented->title, "with # inside");
    EXPECT_EQ(commented->domainMin3[0], -0.5);
    EXPECT_EQ(commented->domainMax3[2], 2);
}

TEST(Cube, EveryIllegalFileIsRefusedForItsOneFault)
{
    const std::map<std::string, std::string> faults{
        {"nan.cube", "line 2: not a finite number"},
        {"infinity.cube", "line 3: not a finite number"},
        {"overflow.cube", "line 3: not a number"},
        {"decimal-comma.cube", "line 2: not a number"},
        {"reversed-domain.cube", "domain is reversed"},
        {"empty-domain.cube", "domain is reversed or empty"},
        {"size-one.cube", "line 1: size outside"},
        {"size-fraction.cube", "line 1: size outside"},
        {"size-huge.cube", "line 1: size outside"},
        {"size-negative.cube", "line 1: size outside"},
        {"size-twice.cube", "line 2: the size is given twice"},
        {"no-size.cube", "line 1: values before the size"},
        {"too-few-rows.cube", "too few rows (expected 8, found 7)"},
        {"too-many-rows.cube", "line 10: too many rows"},
        {"two-columns.cube", "line 2: too few numbers"},
        {"four-columns.cube", "line 2: too many values"},
        {"word-among-values.cube", "line 2: not a number"},
        {"unknown-keyword.cube", "line 1: unknown keyword"},
        {"keyword-after-values.cube", "line 3: a keyword among the values"},
        {"empty.cube", "not a .cube table"},
        {"binary.cube", "line 1:"},
    };
    const auto files = filesIn(kData / "illegal");
    EXPECT_EQ(files.size(), faults.size());
    for (const fs::path& file : files) {
        const auto table = readCube(file);
        ASSERT_FALSE(table) << file;
        const std::string message = table.error().message();
        EXPECT_NE(message.find(file.filename().string()), std::string::npos) << message;
        ASSERT_TRUE(faults.count(file.filename().string())) << file;
        EXPECT_NE(message.find(faults.at(file.filename().string())), std::string::npos) << message;
    }
    EXPECT_EQ(readCube(kData).error().what, "not a file");
}

TEST(Cube, AnyTableComesBackBitForBit)
{
    Random random(21);
    for (int i = 0; i < 40; ++i) {
        Table table = random.table(random.flip() ? random.whole(2, 300) : 0, random.whole(2, 12));
        const double low = random.between(-2, 0), high = random.between(1, 3);
        table.domainMin3 = {low, low, low}, table.domainMax3 = {high, high, high};
        const auto back = parseCube(formatCube(table), "back");
        ASSERT_TRUE(back) << back.error().message();
        EXPECT_EQ(back->values1, table.values1);
        EXPECT_EQ(back->values3, table.values3);
        EXPECT_NEAR(back->domainMin3[0], low, 1e-8);
    }
}

TEST(Cube, BrokenTextNeverGetsThrough)
{
    // Cut anywhere or with any byte changed, a table is refused or still whole and finite; it never crashes.
    const std::string good = formatCube(identityTable(3));
    Random random(22);
    for (int i = 0; i < 3000; ++i) {
        std::string text = good.substr(0, static_cast<std::size_t>(random.whole(0, static_cast<int>(good.size()))));
        for (int k = random.whole(0, 3); k > 0 && !text.empty(); --k)
            text[static_cast<std::size_t>(random.whole(0, static_cast<int>(text.size()) - 1))] =
                static_cast<char>(random.whole(0, 255));
        if (const auto table = parseCube(text, "broken")) {
            EXPECT_EQ(table->values3.size(), 3u * static_cast<std::size_t>(table->size3 * table->size3 * table->size3));
            for (float v : table->values3)
                EXPECT_TRUE(std::isfinite(v));
        }
    }
}

TEST(Table, TetrahedralInterpolationIsExactOnPlanesAndAtItsSamples)
{
    Table plane = identityTable(5);
    for (std::size_t i = 0; i < plane.values3.size(); i += 3) {
        const float r = plane.values3[i], g = plane.values3[i + 1], b = plane.values3[i + 2];
        plane.values3[i] = 0.2f + 0.5f * r + 0.1f * g + 0.2f * b;
    }
    Random random(23);
    for (int i = 0; i < 1000; ++i) {
        const EncodedRgb c{random.between(0, 1), random.between(0, 1), random.between(0, 1)}, out = evaluate(plane, c);
        EXPECT_NEAR(out.r, 0.2 + 0.5 * c.r + 0.1 * c.g + 0.2 * c.b, 1e-6);
        EXPECT_NEAR(out.g, c.g, 1e-6);
    }
    Table bumpy = random.table(0, 4);
    const EncodedRgb at = evaluate(bumpy, {1 / 3.0, 2 / 3.0, 1});
    EXPECT_NEAR(at.r, bumpy.values3[3 * (1 + 4 * (2 + 4 * 3))], 1e-6);
    // The grey diagonal runs along the edge that all six tetrahedra share.
    const EncodedRgb grey = evaluate(bumpy, {0.5, 0.5, 0.5});
    EXPECT_NEAR(grey.g, (bumpy.values3[3 * 21 + 1] + bumpy.values3[3 * 42 + 1]) / 2.0, 1e-6);
}

TEST(Table, InputsAreHeldToTheDomain)
{
    Table table = identityTable(3);
    table.domainMin3 = {-1, -1, -1}, table.domainMax3 = {1, 1, 1};
    EXPECT_NEAR(evaluate(table, {0, 0, 0}).r, 0.5, 1e-7);
    EXPECT_NEAR(evaluate(table, {-7, 0, 9}).r, 0, 1e-7);
    EXPECT_NEAR(evaluate(table, {-7, 0, 9}).b, 1, 1e-7);
    EXPECT_NEAR(evaluate(table, {NAN, 0, 0}).r, 0, 1e-7);
}

TEST(TableReport, TellsSaneFromFolded)
{
    const TableReport good = report(identityTable(9));
    EXPECT_TRUE(good.monotone);
    EXPECT_EQ(good.foldedCells, 0);
    EXPECT_EQ(good.cells, 512);
    EXPECT_NEAR(good.neutralDrift, 0, 1e-6);
    Table mirrored = identityTable(9);
    for (std::size_t i = 0; i < mirrored.values3.size(); i += 3)
        mirrored.values3[i] = 1 - mirrored.values3[i];
    const TableReport bad = report(mirrored);
    EXPECT_FALSE(bad.monotone);
    EXPECT_EQ(bad.foldedCells, bad.cells);
    EXPECT_NEAR(bad.neutralDrift, 1, 1e-6);
}

}  // namespace
}  // namespace amber
