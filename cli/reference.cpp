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

/// What may follow the words of a command that were typed already: its own commands, or its options.
void addCases(const CLI::App& app, const std::string& typed, std::string& cases)
{
    std::string words;
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; })) {
        addCases(*command, typed + command->get_name() + "\\ ", cases);  // the longest come first
        words += command->get_name() + " ";
    }
    if (words.empty())
        for (const CLI::Option* option : app.get_options())
            if (!option->get_lnames().empty())
                words += "--" + option->get_lnames().front() + " ";
    if (!typed.empty())
        cases += "        " + typed + "*) words=\"" + words + "\" ;;\n";
}

void printCompletion(const CLI::App& app)
{
    std::string first, cases;
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; }))
        first += command->get_name() + " ";
    addCases(app, {}, cases);
    std::cout << "# bash completion for amber; source this file\n_amber() {\n    local words=\"\" "
                 "current=\"${COMP_WORDS[COMP_CWORD]}\"\n"
              << "    if [ $COMP_CWORD -eq 1 ]; then words=\"--json --help --version " << first << "\"; fi\n"
              << "    case \"${COMP_WORDS[*]:1}\" in\n"
              << cases << "    esac\n"
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
