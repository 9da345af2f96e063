// The library of looks and parts of looks across jobs: what is in it, keeping, taking out.
#include "core/library/library.h"
#include "cli/command.h"
#include "core/look/part.h"

namespace amber::cli {
namespace {

struct LibraryOptions {
    std::string words, look, id, out, place;
    std::vector<int> steps;
    int version = 0;
};

void list(const LibraryOptions& o, Session& session)
{
    const LibraryContents contents = Library::ofUser().read();
    Json parts = Json::array();
    for (const LibraryPart* part : found(contents, o.words)) {
        if (session.json) {
            parts.push_back({{"id", part->id},
                             {"name", part->name()},
                             {"kind", nameOf(part->kind)},
                             {"place", part->place.string()},
                             {"versions", part->versions.size()},
                             {"uses", part->uses.size()},
                             {"madeFor", part->look().card.madeFor},
                             {"limits", part->look().card.limits}});
            continue;
        }
        std::printf("%-6s %s · %zu version%s, used %zu time%s · %s\n", nameOf(part->kind), part->name().c_str(),
                    part->versions.size(), part->versions.size() == 1 ? "" : "s", part->uses.size(),
                    part->uses.size() == 1 ? "" : "s", part->id.c_str());
    }
    for (const LibraryFault& fault : contents.faults)
        session.report(Error{fault.why, fault.file.string(), {}, {}}, 1);
    if (session.json)
        session.print(parts);
}

void keep(const LibraryOptions& o, Session& session)
{
    auto look = session.look(o.look);
    if (!look)
        return;
    Library::ToKeep what{PartKind::Look, *look, {}, {}, o.place, o.id};
    if (!o.steps.empty()) {
        const int first = o.steps.front(), last = o.steps.back();
        if (first < 1 || last < first || last > static_cast<int>(look->steps.size()))
            return session.report(Error{"the look has no such steps", o.look,
                                        "1 to " + std::to_string(look->steps.size()),
                                        std::to_string(first) + " to " + std::to_string(last)});
        what.look = partOf(*look, static_cast<std::size_t>(first) - 1, static_cast<std::size_t>(last) - 1);
        what.kind = first == last ? PartKind::Step : PartKind::Group;
    }
    const auto id = Library::ofUser().keep(what);
    if (!id)
        return session.report(id.error());
    if (session.json)
        session.print({{"id", *id}});
    else
        std::cout << *id << "\n";
}

void take(const LibraryOptions& o, Session& session)
{
    const LibraryContents contents = Library::ofUser().read();
    for (const LibraryPart& part : contents.parts) {
        if (part.id != o.id)
            continue;
        for (const LibraryVersion& version : part.versions)
            if (version.number == o.version || (o.version == 0 && version.number == part.versions.back().number)) {
                if (const Status done = writeLook(version.look, o.out); !done)
                    return session.report(done.error());
                if (!session.json)
                    std::cout << o.out << ": " << version.look.name << ", version " << version.number << "\n";
                else
                    session.print({{"file", o.out}, {"version", version.number}});
                return;
            }
        return session.report(Error{"the part has no such version", o.id, {}, std::to_string(o.version)});
    }
    session.report(Error{"the library has no such part", {}, {}, o.id});
}

void places(const LibraryOptions& o, Session& session)
{
    Library library = Library::ofUser();
    if (!o.place.empty())
        if (const Status added = library.addPlace(std::filesystem::absolute(o.place)); !added)
            return session.report(added.error());
    Json all = Json::array();
    for (const LibraryPlace& place : library.places()) {
        if (session.json)
            all.push_back(
                {{"folder", place.folder.string()}, {"readOnly", place.isReadOnly}, {"there", place.isThere}});
        else
            std::cout << place.folder.string()
                      << (!place.isThere     ? " (not there)"
                          : place.isReadOnly ? " (read only)"
                                             : "")
                      << "\n";
    }
    if (session.json)
        session.print(all);
}

}  // namespace

void addLibrary(CLI::App& app, Session& session)
{
    CLI::App* library = app.add_subcommand("library", "Looks and parts of looks that are kept across jobs");
    library->require_subcommand(1);
    const auto o = std::make_shared<LibraryOptions>();
    CLI::App* listed = library->add_subcommand("list", "What is in the library");
    listed->add_option("words", o->words, "Only what has all of these words in its name, mood, notes or steps");
    listed->footer("Example: amber library list evening");
    listed->callback([o, &session] { list(*o, session); });
    CLI::App* kept = library->add_subcommand("keep", "Keep a look in the library, or some of its steps");
    kept->add_option("look", o->look, "The look (.json)")->required();
    kept->add_option("--steps", o->steps, "FIRST,LAST: these steps alone, counted from 1")
        ->delimiter(',')
        ->expected(1, 2);
    kept->add_option("--as", o->id, "The part that this is a new version of, by its id");
    kept->add_option("--place", o->place, "One of the library's places; without, the user's own");
    kept->footer("Example: amber demo --dir D && amber library keep D/looks/long-evening.json --steps 1,2");
    kept->callback([o, &session] { keep(*o, session); });
    CLI::App* taken = library->add_subcommand("take", "Write a part of the library to a file");
    taken->add_option("id", o->id, "The part, by its id")->required();
    taken->add_option("-o,--out", o->out, "The file to write (.json)")->required();
    taken->add_option("--version", o->version, "An earlier version; without, the newest");
    taken->callback([o, &session] { take(*o, session); });
    CLI::App* folders =
        library->add_subcommand("places", "The folders of the library; one that a team shares may be added");
    folders->add_option("--add", o->place, "A folder");
    folders->callback([o, &session] { places(*o, session); });
}

}  // namespace amber::cli
