#include "core/proof/consistency.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

TEST(Consistency, ItsCsvHasCommasBetweenFieldsAndPointsInNumbersInEveryLocale)
{
    KeyColour key;
    key.name = "glaze, \"celadon\"";
    ConsistencyTable table;
    ConsistencyCell cell;
    cell.isMeasured = true, cell.before = 12.346, cell.after = 0.5, cell.toTarget = 1.25;
    table.rows = {{cell, cell, ConsistencyCell{}}};
    const std::string csv = consistencyCsv(table, {key}, {"north, 04.jpg"});
    const std::string row = csv.substr(csv.find('\n') + 1);
    EXPECT_EQ(row, "\"north, 04.jpg\",12.35,0.50,1.25,0.50,\n");
    EXPECT_EQ(csv.rfind("frame,\"glaze, \"\"celadon\"\", before, dE00 to lead\",", 0), 0u) << csv;
}

}  // namespace
}  // namespace amber
