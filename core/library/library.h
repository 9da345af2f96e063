// The library: looks, groups of steps and single steps kept across jobs, in folders: the user's own, and others, as one
// that a team shares.
//
// A part is a folder; each of its versions is a file in it that is never written again ("v0003.json", with its picture
// "v0003.jpg" beside it), each use a file of its own ("used-….json"). So programs that write at once never meet, and a
// damaged file costs itself alone: it is named and passed over. Every file goes through AtomicFile. One thread at a
// time.
#pragma once

#include "core/image/image.h"
#include "core/look/look.h"

#include <filesystem>
#include <optional>

namespace amber {

enum class PartKind { Look, Group, Step };
const char* nameOf(PartKind kind);

struct LibraryVersion {
    int number = 0;
    std::string kept;               ///< "2026-05-04 10:11:12", UTC
    std::string job;                ///< by its title: where it was kept from
    Look look;                      ///< of a group or a step these steps alone
    std::filesystem::path picture;  ///< none: empty
};

struct LibraryUse {
    std::string used, job;  ///< when (UTC), in which job
    int version = 0;
};

struct LibraryPart {
    std::string id;  ///< of its folder
    std::filesystem::path place;
    PartKind kind = PartKind::Look;
    std::vector<LibraryVersion> versions;  ///< oldest first; never empty
    std::vector<LibraryUse> uses;          ///< oldest first
    const Look& look() const { return versions.back().look; }
    const std::string& name() const { return look().name; }
};

struct LibraryPlace {
    std::filesystem::path folder;
    bool isReadOnly = false, isThere = true;
};

/// A file that was passed over, and why.
struct LibraryFault {
    std::filesystem::path file;
    std::string why;
};

struct LibraryContents {
    std::vector<LibraryPart> parts;  ///< by name
    std::vector<LibraryFault> faults;
    std::vector<LibraryPlace> places;  ///< as they were when this was read
};

class Library {
public:
    /// Under the user's data folder (XDG_DATA_HOME, else ~/.local/share), and what places.txt there lists, a folder to
    /// a line.
    static Library ofUser();
    /// The first is the user's own and made when something is kept there.
    explicit Library(std::vector<std::filesystem::path> places);

    std::vector<LibraryPlace> places() const;
    /// A further place, kept for the next time.
    Status addPlace(const std::filesystem::path& folder);
    Status dropPlace(const std::filesystem::path& folder);
    LibraryContents read() const;

    struct ToKeep {
        PartKind kind = PartKind::Look;
        Look look;
        std::string job;
        Image picture = {};                ///< working-space light; empty: none
        std::filesystem::path place = {};  ///< empty: the user's own
        std::string id = {};               ///< of the part of which this is a version; empty: a new part
    };
    /// Returns the part's id. Fails for a place that cannot be written to, with nothing kept.
    Result<std::string> keep(const ToKeep& what);
    /// That a version was put to use in a job. Where it cannot be written it is not, and that is no fault.
    void noteUse(const LibraryPart& part, int version, const std::string& job) const;

private:
    Status writePlaces() const;
    std::vector<std::filesystem::path> m_places;
};

/// The parts in whose name, mood, notes, steps, or what they are made for, every one of these words occurs, whatever
/// the letter case.
std::vector<const LibraryPart*> found(const LibraryContents& contents, const std::string& words);

}  // namespace amber
