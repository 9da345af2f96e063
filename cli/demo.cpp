#include "cli/command.h"
#include "demo/demo_job.h"

namespace amber::cli {

void addDemo(CLI::App& app, Session& session)
{
    auto folder = std::make_shared<std::string>("jolly-amber-demo");
    CLI::App* command = app.add_subcommand("demo", "Write the demo job to a folder");
    command->add_option("--dir", *folder, "The folder to make")->capture_default_str();
    auto small = std::make_shared<bool>(false);
    command->add_flag("--small", *small, "A practice job of eight frames, without raw files");
    command->footer("Example: amber demo --dir D && jolly-amber D");
    command->callback([folder, small, &session] {
        const auto job = writeDemoJob(*folder, *small ? DemoSize::Small : DemoSize::Full);
        if (!job)
            return session.report(job.error());
        if (session.json)
            session.print({{"job", job->string()}});
        else
            std::cout << job->string() << "\n";
    });
}

}  // namespace amber::cli
