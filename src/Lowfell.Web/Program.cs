using Lowfell.Web.Hosting;

var app = LowfellHost.Build(args);
await app.PrepareDatabaseAsync();
await app.RunAsync();

/// <summary>The host's entry point; public so that tests can start it.</summary>
public partial class Program;
