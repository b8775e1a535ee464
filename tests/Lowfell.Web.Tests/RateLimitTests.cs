using System.Net;
using System.Text.Json.Nodes;
using Lowfell.Web.Host;
using Microsoft.AspNetCore.Http;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What is asked too often is told when to come again.</summary>
public sealed class RateLimitTests(BareHost host) : IClassFixture<BareHost>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    private static string? KindOf(string method, string path)
    {
        var context = new DefaultHttpContext();
        (context.Request.Method, context.Request.Path) = (method, path);
        return RateLimits.KindOf(context.Request)?.Name;
    }

    [Theory]
    [InlineData("POST", "/api/preview", "previews")]
    [InlineData("POST", "/api/preview/tile", "previews")]
    [InlineData("GET", "/api/plan/feed/abc.ics", "feed")]
    [InlineData("GET", "/api/plan/feed", null)]
    [InlineData("POST", "/api/plan/feed", null)]
    [InlineData("PUT", "/api/photos/x", "uploads")]
    [InlineData("GET", "/api/photos/x", null)]
    [InlineData("POST", "/api/shelf/import", "imports")]
    [InlineData("POST", "/api/shelf/paste", "imports")]
    [InlineData("GET", "/api/shelf/starter", null)]
    [InlineData("POST", "/api/ready/file", "imports")]
    [InlineData("POST", "/api/sets/x/pieces/paste", "imports")]
    [InlineData("POST", "/api/begin", "imports")]
    [InlineData("GET", "/api/search", "searches")]
    [InlineData("POST", "/api/plan/solves", "searches")]
    [InlineData("POST", "/api/log", null)]
    [InlineData("GET", "/api/sets", null)]
    public void Each_request_is_of_its_kind(string method, string path, string? kind) => Assert.Equal(kind, KindOf(method, path));

    [Fact]
    public async Task A_guess_at_the_feeds_key_is_slowed_down()
    {
        HttpStatusCode last = default;
        var tries = 0;
        for (; tries <= RateLimits.Feed.Burst + 1 && last != HttpStatusCode.TooManyRequests; tries++)
        {
            using var answer = await host.Http.GetAsync($"/api/plan/feed/{Guid.NewGuid():N}.ics", Cancel);
            last = answer.StatusCode;
            if (last == HttpStatusCode.TooManyRequests)
            {
                Assert.InRange(answer.Headers.RetryAfter!.Delta!.Value.TotalSeconds, 1, 60);
                var problem = JsonNode.Parse(await answer.Content.ReadAsStringAsync(Cancel))!;
                Assert.Equal("tooMuch", (string)problem["code"]!);
                Assert.StartsWith("Wait a moment", (string)problem["title"]!, StringComparison.Ordinal);
            }
        }

        Assert.Equal(HttpStatusCode.TooManyRequests, last);
        Assert.InRange(tries, RateLimits.Feed.Burst, RateLimits.Feed.Burst + 2);

        // What is of another kind is answered all the same.
        using var other = await host.Http.GetAsync("/api/sets", Cancel);
        Assert.Equal(HttpStatusCode.OK, other.StatusCode);
    }
}
