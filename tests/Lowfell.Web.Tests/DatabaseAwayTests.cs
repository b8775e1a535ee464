using System.Net;
using System.Net.Sockets;
using Npgsql;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>A wire between host and database that can be cut.</summary>
public sealed class CuttableHost : TestHost
{
    private readonly List<TcpClient> open = [];
    private TcpListener wire = new(IPAddress.Loopback, 0);
    private int port;

    protected override string Connection => new NpgsqlConnectionStringBuilder(base.Connection) { Host = "127.0.0.1", Port = port, Timeout = 2 }.ConnectionString;

    public override ValueTask InitializeAsync()
    {
        Join();
        return base.InitializeAsync();
    }

    public void Join()
    {
        wire = new TcpListener(IPAddress.Loopback, port);
        wire.Start();
        port = ((IPEndPoint)wire.LocalEndpoint).Port;
        _ = AcceptAsync(wire);
    }

    public void Cut()
    {
        wire.Stop();
        lock (open)
        {
            open.ForEach(c => c.Close());
            open.Clear();
        }
    }

    private async Task AcceptAsync(TcpListener listener)
    {
        var cluster = new NpgsqlConnectionStringBuilder(Cluster);
        try
        {
            while (true)
            {
                var near = await listener.AcceptTcpClientAsync();
                var far = new TcpClient();
                await far.ConnectAsync(cluster.Host!, cluster.Port);
                lock (open)
                {
                    open.AddRange([near, far]);
                }

                _ = PumpAsync(near, far);
                _ = PumpAsync(far, near);
            }
        }
        catch (Exception cut) when (cut is SocketException or ObjectDisposedException)
        {
            // The wire has been cut.
        }
    }

    private static async Task PumpAsync(TcpClient from, TcpClient to)
    {
        try
        {
            await from.GetStream().CopyToAsync(to.GetStream());
        }
        catch (Exception cut) when (cut is IOException or ObjectDisposedException or InvalidOperationException or SocketException)
        {
            to.Close();
        }
    }
}

public sealed class DatabaseAwayTests(CuttableHost host) : IClassFixture<CuttableHost>
{
    [Fact]
    public async Task While_the_database_is_away_the_host_says_so_and_takes_up_again()
    {
        var scheme = (await host.ZoneAsync("Roof boards"))["scheme"]!;
        var keep = new { version = (int)scheme["version"]!, coats = scheme["coats"] };
        host.Cut();
        var problem = await host.SendAsync(HttpMethod.Get, "/api/sets", null, HttpStatusCode.ServiceUnavailable);
        Assert.Equal("The database is away.", (string)problem["title"]!);
        await host.SendAsync(HttpMethod.Get, "/api/health", null, HttpStatusCode.ServiceUnavailable);
        await host.PutAsync($"/api/schemes/{scheme["id"]}/stack", keep, HttpStatusCode.ServiceUnavailable);

        // What needs no row is still answered.
        await host.PostAsync("/api/preview/stack", Drafts.Stack(Drafts.Coat("baseCoat", Drafts.Material())));

        host.Join();
        var status = HttpStatusCode.ServiceUnavailable;
        for (var i = 0; i < 40 && status != HttpStatusCode.OK; i++)
        {
            await Task.Delay(100, TestContext.Current.CancellationToken);
            status = (await host.Http.GetAsync("/api/health", TestContext.Current.CancellationToken)).StatusCode;
        }

        Assert.Equal(HttpStatusCode.OK, status);
        await host.PutAsync($"/api/schemes/{scheme["id"]}/stack", keep);
    }
}
