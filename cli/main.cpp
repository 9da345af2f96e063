// amber: everything the window does to files, without a window.
#include "cli/command.h"

int main(int argc, char** argv)
{
    CLI::App app{"Lands looks on pictures and measures what they do.\nExit status: 0 done, 1 done but some pictures "
                 "failed, 2 wrong use or unreadable input."};
    app.name("amber");
    app.set_version_flag("--version", AMBER_VERSION);
    amber::cli::Session session;
    app.add_flag("--json", session.json, "Print one JSON document on stdout and nothing else");
    app.require_subcommand(1);
    app.fallthrough();
    amber::cli::addApply(app, session);
    amber::cli::addBake(app, session);
    amber::cli::addTable(app, session);
    amber::cli::addLook(app, session);
    amber::cli::addLibrary(app, session);
    amber::cli::addMeasure(app, session);
    amber::cli::addCompare(app, session);
    amber::cli::addDemo(app, session);
    amber::cli::addReference(app, session);
    amber::cli::addMatch(app, session);
    amber::cli::addJob(app, session);
    amber::cli::addRecipe(app, session);
    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& error) {
        return app.exit(error) == 0 ? 0 : 2;
    } catch (const std::exception& error) {
        session.report(amber::Error{error.what(), {}, {}, {}});
    }
    return session.status;
}
