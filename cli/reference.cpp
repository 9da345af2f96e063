// The man page and the shell completion, made from the definitions of the commands themselves.
#include "cli/command.h"

namespace amber::cli {
namespace {

/// Text for roff: backslashes and leading dots and quotes would be commands.
std::string roff(const std::string& text)
{
    std::string out;
    for (char c : text) {
        if (c == '\\' || c == '-')
            out += '\\';
        else if ((c == '.' || c == '\'') && (out.empty() || out.back() == '\n'))
            out += "\\&";
        out += c;
    }
    return out;
}

template <class Visit>
void eachCommand(const CLI::App& app, const std::string& path, const Visit& visit)
{
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; })) {
        const std::string name = path + command->get_name();
        const bool group = !command->get_subcommands([](const CLI::App*) { return true; }).empty();
        if (group)
            eachCommand(*command, name + " ", visit);
        else
            visit(name, *command);
    }
}

void printManual(const CLI::App& app)
{
    std::cout << ".TH AMBER 1 \"\" \"Jolly Amber " << AMBER_VERSION
              << "\" \"User commands\"\n.SH NAME\namber \\- lands looks on pictures and measures what they do\n"
              << ".SH SYNOPSIS\n.B amber\n[\\-\\-json] COMMAND [ARGUMENT...]\n.SH DESCRIPTION\n"
              << roff(app.get_description()) << "\n.SH COMMANDS\n";
    eachCommand(app, "", [](const std::string& name, const CLI::App& command) {
        std::cout << ".SS amber " << roff(name) << "\n" << roff(command.get_description()) << "\n";
        for (const CLI::Option* option : command.get_options())
            std::cout << ".TP\n.B "
                      << roff(option->get_positional() ? option->get_name(true) : option->get_name(false, true)) << "\n"
                      << roff(option->get_description()) << "\n";
        if (!command.get_footer().empty())
            std::cout << ".PP\n" << roff(command.get_footer()) << "\n";
    });
}

void printCompletion(const CLI::App& app)
{
    std::string first, cases;
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; }))
        first += command->get_name() + " ";
    eachCommand(app, "", [&](const std::string& name, const CLI::App& command) {
        std::string words;
        for (const CLI::Option* option : command.get_options())
            if (!option->get_lnames().empty())
                words += "--" + option->get_lnames().front() + " ";
        const auto space = name.find(' ');
        const std::string pattern =
            space == std::string::npos ? name + "\\ *" : name.substr(0, space) + "\\ " + name.substr(space + 1);
        cases += "        " + pattern + ") words=\"" + words + "\" ;;\n";
    });
    std::string groups;
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; })) {
        std::string inner;
        for (const CLI::App* sub : command->get_subcommands([](const CLI::App*) { return true; }))
            inner += sub->get_name() + " ";
        if (!inner.empty())
            groups += "        " + command->get_name() + ") [ $COMP_CWORD -eq 2 ] && words=\"" + inner + "\" ;;\n";
    }
    std::cout << "# bash completion for amber; source this file\n_amber() {\n    local words=\"\" "
                 "current=\"${COMP_WORDS[COMP_CWORD]}\"\n"
              << "    if [ $COMP_CWORD -eq 1 ]; then words=\"--json --help --version " << first << "\"; fi\n"
              << "    case \"${COMP_WORDS[1]} ${COMP_WORDS[2]}\" in\n"
              << cases << "    esac\n    case \"${COMP_WORDS[1]}\" in\n"
              << groups << "    esac\n"
              << "    COMPREPLY=($(compgen -W \"$words\" -- \"$current\"))\n}\ncomplete -o default -F _amber amber\n";
}

}  // namespace

void addReference(CLI::App& app, Session&)
{
    const CLI::App* whole = &app;
    CLI::App* manual = app.add_subcommand("manual", "Print the man page");
    manual->footer("Example: amber manual > amber.1 && man -l amber.1");
    manual->callback([whole] { printManual(*whole); });
    CLI::App* completion = app.add_subcommand("completion", "Print the completion for bash");
    completion->footer("Example: amber completion > amber.bash");
    completion->callback([whole] { printCompletion(*whole); });
}

}  // namespace amber::cli
