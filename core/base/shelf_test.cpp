// What is kept beside memory comes back as it was, is given up oldest first, and is never lost to a full disk.
#include "core/base/shelf.h"
#include "tests/support/temporary_folder.h"

#include <fstream>
#include <gtest/gtest.h>
#include <map>
#include <random>
#include <thread>

namespace amber {
namespace {

Bytes blockOf(unsigned seed, std::size_t size)
{
    std::mt19937 engine(seed);
    Bytes bytes(size);
    for (char& c : bytes)
        c = static_cast<char>(engine());
    return bytes;
}

TEST(Shelf, GivesEveryBlockAsItWasPutWhereverItLies)
{
    const test::TemporaryFolder folder;
    Shelf shelf(folder / "new" / "folder", 4000, 1 << 20);
    std::map<std::string, Bytes> truth;
    std::mt19937 engine(7);
    for (int i = 0; i < 3000; ++i) {
        const std::string name = std::to_string(engine() % 60);
        switch (engine() % 4) {
        case 0:
            shelf.drop(name), truth.erase(name);
            break;
        case 1:
            truth[name] = blockOf(static_cast<unsigned>(i), 100 * (engine() % 9));
            shelf.put(name, truth[name]);
            break;
        default: {
            const auto found = shelf.get(name);
            ASSERT_EQ(found != nullptr, truth.contains(name)) << i;
            if (found) {
                ASSERT_EQ(*found, truth[name]) << i;
            }
        }
        }
        EXPECT_LE(shelf.bytesInMemory(), 4000u);
    }
    std::size_t all = 0;
    for (const auto& [name, bytes] : truth)
        all += bytes.size();
    EXPECT_EQ(shelf.bytesInAll(), all);
    EXPECT_TRUE(std::filesystem::is_empty(folder / "new" / "folder")) << "its file has no name";
    shelf.clear();
    EXPECT_EQ(shelf.bytesInAll(), 0u);
    EXPECT_FALSE(shelf.get("1"));
}

TEST(Shelf, GivesUpWhatWasNotUsedForLongest)
{
    const test::TemporaryFolder folder;
    Shelf shelf(folder.path(), 2000, 5000);
    for (int i = 0; i < 5; ++i)
        shelf.put(std::to_string(i), blockOf(1, 1000));
    (void)shelf.get("0");
    shelf.put("5", blockOf(2, 1000));
    EXPECT_TRUE(shelf.has("0"));
    EXPECT_FALSE(shelf.has("1"));
    EXPECT_TRUE(shelf.has("2"));
}

TEST(Shelf, KeepsEverythingInMemoryWhereNoFileCanBe)
{
    const test::TemporaryFolder folder;
    std::filesystem::create_directories(folder.path());
    std::ofstream(folder / "file") << "no folder";
    for (const std::filesystem::path& place : {folder / "file" / "below", std::filesystem::path("/dev/full")}) {
        Shelf shelf(place, 1000, 1 << 20);
        for (unsigned i = 0; i < 20; ++i)
            shelf.put(std::to_string(i), blockOf(i, 700));
        for (unsigned i = 0; i < 20; ++i) {
            const auto found = shelf.get(std::to_string(i));
            ASSERT_TRUE(found);
            EXPECT_EQ(*found, blockOf(i, 700));
        }
        EXPECT_EQ(shelf.bytesInMemory(), 20u * 700);
    }
}

TEST(Shelf, IsUsedBySeveralThreadsAtOnce)
{
    const test::TemporaryFolder folder;
    Shelf shelf(folder.path(), 3000, 1 << 20);
    std::vector<std::thread> hands;
    for (unsigned hand = 0; hand < 4; ++hand)
        hands.emplace_back([&shelf, hand] {
            for (unsigned i = 0; i < 200; ++i) {
                const std::string name = std::to_string(hand) + "/" + std::to_string(i % 17);
                shelf.put(name, blockOf(hand * 1000 + i, 500));
                const auto found = shelf.get(name);
                ASSERT_TRUE(found);
                ASSERT_EQ(*found, blockOf(hand * 1000 + i, 500));
            }
        });
    for (std::thread& hand : hands)
        hand.join();
}

}  // namespace
}  // namespace amber
