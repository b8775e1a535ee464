using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What tests of bases do with trays on a host.</summary>
/// <param name="host">The host.</param>
public abstract class TraysOn(TestHost host)
{
    protected static readonly object Round25 = new { shape = "round", lengthMm = 25, widthMm = 25 };

    protected static CancellationToken Cancel => TestContext.Current.CancellationToken;

    protected TestHost Host => host;

    protected static JsonArray Kept(JsonNode tray) => [.. tray["bases"]!.AsArray().Select(b => b!["kept"]!.DeepClone())];

    protected async Task<JsonNode> PutAsync(JsonNode tray, JsonArray copies) =>
        await host.PutAsync($"/api/trays/{tray["id"]}", new { version = (int)tray["version"]!, tray = new { familyId = (string)tray["familyId"]!, copies } });

    protected async Task<JsonNode> RollAsync(JsonNode tray, int seed) => await host.PostAsync($"/api/trays/{tray["id"]}/roll", new { version = (int)tray["version"]!, seed, rolls = 3 });

    protected async Task<JsonNode> JobAsync(JsonNode tray, object request) => await EndOfAsync(tray, await host.PostAsync($"/api/trays/{tray["id"]}/rolls", request, HttpStatusCode.Accepted));

    protected async Task<JsonNode> EndOfAsync(JsonNode tray, JsonNode roll)
    {
        for (var tries = 0; tries < 300; tries++)
        {
            var now = await host.GetAsync($"/api/trays/{tray["id"]}/rolls/{roll["id"]}");
            if ((string)now["status"]! is not ("waiting" or "running"))
            {
                return now;
            }

            await Task.Delay(100, Cancel);
        }

        throw new TimeoutException("The roll did not end.");
    }

    protected async Task<string> PieceAsync()
    {
        var set = await host.PostAsync("/api/sets", new { name = $"Tray {Guid.NewGuid():n}"[..12] }, HttpStatusCode.Created);
        var piece = await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name = "Plinths", kind = "base", substrate = "polystyrene", shape = "disc", lengthMm = 25, widthMm = 25, heightMm = 4, copies = 5 }, HttpStatusCode.Created);
        return (string)piece["id"]!;
    }

    protected async Task<(string Piece, JsonNode Tray)> BeginAsync(int copies, string name = "Salt crust")
    {
        var piece = await PieceAsync();
        var family = (await host.GetAsync("/api/base-families")).AsArray().First(f => (string)f!["family"]!["name"]! == name)!;
        return (piece, await host.PostAsync($"/api/pieces/{piece}/tray", new { familyId = (string)family["id"]!, groups = new[] { new { form = Round25, stance = "twoFeet", copies } } }, HttpStatusCode.Created));
    }

    protected async Task<JsonNode> DemoTrayAsync()
    {
        var piece = (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == "Salt-crust bases")!["pieces"]![0]!;
        return (await host.GetAsync($"/api/pieces/{piece["id"]}/tray"))["tray"]!;
    }

    protected async Task<SortedDictionary<string, int>> BoxesAsync() => new((await host.GetAsync("/api/element-boxes")).AsArray().ToDictionary(b => (string)b!["box"]!["name"]!, b => (int)b!["box"]!["count"]!));
}
