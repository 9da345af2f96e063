// Runs a command as a shell would and keeps what it printed.
#pragma once

#include "tests/support/temporary_folder.h"

#include <cstdio>
#include <sys/wait.h>

namespace amber::test {

struct Ran {
    int status = -1;
    std::string out, err;
};

inline Ran run(const std::string& command)
{
    const TemporaryFolder folder;
    Ran ran;
    const int raw =
        std::system((command + " >" + (folder / "out").string() + " 2>" + (folder / "err").string()).c_str());
    ran.status = WIFEXITED(raw) ? WEXITSTATUS(raw) : 128 + WTERMSIG(raw);
    ran.out = readText(folder / "out");
    ran.err = readText(folder / "err");
    return ran;
}

/// The program under test, with arguments.
inline Ran amber(const std::string& arguments) { return run(AMBER_BIN_DIR "/amber " + arguments); }

}  // namespace amber::test
