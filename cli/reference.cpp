// The man page and the completions for shells, made from the definitions of the commands themselves.
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

/// One word that may come next, and what it is for.
struct Word {
    std::string word, purpose;
};

/// What may follow the words of a command that were typed already: its own commands, or its options.
std::vector<Word> wordsOf(const CLI::App& app)
{
    std::vector<Word> words;
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; }))
        words.push_back({command->get_name(), command->get_description()});
    if (words.empty() || !app.get_parent())
        for (const CLI::Option* option : app.get_options())
            if (!option->get_lnames().empty())
                words.push_back({"--" + option->get_lnames().front(), option->get_description()});
    for (Word& word : words)
        if (const auto end = word.purpose.find_first_of("\n;:("); end != std::string::npos)
            word.purpose.resize(word.purpose.find_last_not_of(' ', end - 1) + 1);
    return words;
}

/// The longest come first.
template <class Visit>
void eachPlace(const CLI::App& app, const std::string& typed, const Visit& visit)
{
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; }))
        eachPlace(*command, typed + command->get_name() + " ", visit);
    visit(typed, wordsOf(app));
}

std::string replaced(std::string text, const std::string& what, const std::string& by)
{
    for (std::size_t at = 0; (at = text.find(what, at)) != std::string::npos; at += by.size())
        text.replace(at, what.size(), by);
    return text;
}

std::string quoted(const std::string& text) { return "'" + replaced(text, "'", "'\\''") + "'"; }

void printForBash(const CLI::App& app)
{
    std::cout << "# bash completion for amber\n_amber() {\n    local words=\"\" current=\"${COMP_WORDS[COMP_CWORD]}\"\n"
              << "    case \"${COMP_WORDS[*]:1:COMP_CWORD-1} \" in\n";
    eachPlace(app, {}, [](const std::string& typed, const std::vector<Word>& words) {
        std::cout << "        " << (typed.empty() ? "\" \"" : replaced(typed, " ", "\\ ") + "*") << ") words=\"";
        for (const Word& word : words)
            std::cout << word.word << " ";
        std::cout << "\" ;;\n";
    });
    std::cout << "    esac\n    COMPREPLY=($(compgen -W \"$words\" -- \"$current\"))\n}\n"
              << "complete -o default -F _amber amber\n";
}

void printForZsh(const CLI::App& app)
{
    std::cout << "#compdef amber\n_amber() {\n    local -a known\n    case \"${(j: :)words[2,CURRENT-1]} \" in\n";
    eachPlace(app, {}, [](const std::string& typed, const std::vector<Word>& words) {
        std::cout << "        " << (typed.empty() ? "\" \"" : replaced(typed, " ", "\\ ") + "*") << ") known=(";
        for (const Word& word : words)
            std::cout << quoted(word.word + ":" + word.purpose) << " ";
        std::cout << ") ;;\n";
    });
    std::cout << "    esac\n    _describe amber known\n    _files\n}\n_amber \"$@\"\n";
}

void printForFish(const CLI::App& app)
{
    std::cout << "# fish completion for amber\nfunction __amber_after\n    set -l typed (commandline -opc)\n"
              << "    test (count $typed) -gt 1; or return 1\n"
              << "    string match -q -- \"$argv *\" \"$typed[2..-1] \"\nend\n";
    eachPlace(app, {}, [](const std::string& typed, const std::vector<Word>& words) {
        for (const Word& word : words) {
            std::cout << "complete -c amber -n "
                      << (typed.empty() ? "'test (count (commandline -opc)) -eq 1'" : quoted("__amber_after " + typed));
            std::cout << (word.word.rfind("--", 0) == 0 ? " -l " + word.word.substr(2) : " -a " + quoted(word.word))
                      << " -d " << quoted(word.purpose) << "\n";
        }
    });
}

}  // namespace

void addReference(CLI::App& app, Session&)
{
    const CLI::App* whole = &app;
    CLI::App* manual = app.add_subcommand("manual", "Print the man page");
    manual->footer("Example: amber manual > amber.1 && man -l amber.1");
    manual->callback([whole] { printManual(*whole); });
    CLI::App* completion = app.add_subcommand("completion", "Print the completion for a shell");
    auto shell = std::make_shared<std::string>("bash");
    completion->add_option("shell", *shell, "bash, zsh or fish")->check(CLI::IsMember({"bash", "zsh", "fish"}));
    completion->footer("Example: amber completion zsh > _amber");
    completion->callback([whole, shell] {
        *shell == "zsh" ? printForZsh(*whole) : *shell == "fish" ? printForFish(*whole) : printForBash(*whole);
    });
}

}  // namespace amber::cli
