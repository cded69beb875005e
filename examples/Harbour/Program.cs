using System.CommandLine;
using Harbour;
using Harbour.Demo;

Option<string> url = new("--urls")
{
    Description = "The address to listen on.",
    DefaultValueFactory = _ => "http://127.0.0.1:5080",
};
Option<string> ledger = new("--ledger")
{
    Description = "The SQLite file of the berth ledger.",
    DefaultValueFactory = _ => "harbour.db",
};
Option<string> telemetry = new("--telemetry")
{
    Description = "Where to export the metrics of the container.",
    DefaultValueFactory = _ => Telemetry.None,
};
telemetry.AcceptOnlyFromAmong(Telemetry.None, Telemetry.ToConsole);

Command demo = new("demo", "Plays a day in the harbour office, and shows which instances served each request.");
demo.SetAction((_, _) => HarbourDay.PlayAsync());

Command serve = new("serve", "Opens the harbour office, and keeps it open.") { url, ledger, telemetry };
serve.SetAction((arguments, _) => Service.RunAsync(arguments.GetValue(url)!, arguments.GetValue(ledger)!, arguments.GetValue(telemetry)!));

RootCommand root = new("A small harbour office that gives vessels a berth, wired by Junctivor.") { demo, serve };
return await root.Parse(args).InvokeAsync();
