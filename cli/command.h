// What the commands share: the exit status, errors on stderr, one JSON document on stdout.
#pragma once

#include "core/base/result.h"
#include "core/handover/export.h"
#include "core/look/look_json.h"

#include <CLI/CLI.hpp>
#include <iostream>

namespace amber::cli {

/// Exit status: 0 done, 1 done but some pictures failed, 2 wrong use or unreadable input.
struct Session {
    bool json = false;
    int status = 0;

    /// Names the error on stderr and sets the status.
    void report(const Error& error, int exitStatus = 2)
    {
        std::cerr << "amber: " << error.message() << "\n";
        status = std::max(status, exitStatus);
    }
    void print(const Json& document) const { std::cout << jsonText(document, 2) << "\n"; }
    /// Says what was written and what was not, of `wanted` pictures.
    void deliver(const ExportReport& report, const std::string& look, std::size_t wanted);
    /// Reads a look, with its warnings on stderr.
    Result<Look> look(const std::string& path)
    {
        auto loaded = readLook(path);
        if (!loaded) {
            report(loaded.error());
            return tl::make_unexpected(loaded.error());
        }
        for (const std::string& warning : loaded->warnings)
            std::cerr << "amber: " << warning << "\n";
        return std::move(loaded->look);
    }
};

void addApply(CLI::App& app, Session& session);
void addBake(CLI::App& app, Session& session);
void addTable(CLI::App& app, Session& session);
void addLook(CLI::App& app, Session& session);
void addLookSheet(CLI::App& look, Session& session);
void addLibrary(CLI::App& app, Session& session);
void addMeasure(CLI::App& app, Session& session);
void addCompare(CLI::App& app, Session& session);
void addDemo(CLI::App& app, Session& session);
void addMatch(CLI::App& app, Session& session);
void addReference(CLI::App& app, Session& session);
void addJob(CLI::App& app, Session& session);
void addRecipe(CLI::App& app, Session& session);

}  // namespace amber::cli
