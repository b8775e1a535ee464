using Lowfell.Web.Api;
using Lowfell.Web.Host;

if (BackupCommands.Known(args))
{
    return await BackupCommands.RunAsync(args);
}

var app = LowfellHost.Build(args);

// Asked for now: once the host has ended its services are gone.
var readiness = app.Services.GetRequiredService<Readiness>();
await app.RunAsync();
return readiness.Failed ? 1 : 0;

/// <summary>The host's entry point; public so that tests can start it.</summary>
public partial class Program;
