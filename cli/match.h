// What the parts of `amber match` share.
#pragma once

#include "cli/command.h"
#include "core/colour/difference.h"

namespace amber::cli {

Json numbers(const DifferenceSummary& d);
/// Names the look and writes it; what goes wrong is said.
bool write(Session& session, Look look, const std::string& out, const std::string& name);

void addReferenceFit(CLI::App* match, Session& session);
void addNearest(CLI::App* match, Session& session);
void addScore(CLI::App* match, Session& session);

}  // namespace amber::cli
