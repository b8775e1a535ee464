using System.Net;

namespace Lowfell.Tests;

/// <summary>Asks again, as the page does, while the host says that what was asked for is being made.</summary>
internal sealed class AskAgain : DelegatingHandler
{
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(100);
    private int times;

    /// <summary>How often it had to.</summary>
    public int Times => times;

    /// <inheritdoc/>
    protected override async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken cancellationToken)
    {
        while (true)
        {
            var answer = await base.SendAsync(request, cancellationToken);
            if (answer.StatusCode != HttpStatusCode.Accepted || answer.Headers.RetryAfter is null)
            {
                return answer;
            }

            answer.Dispose();
            Interlocked.Increment(ref times);
            await Task.Delay(Pause, cancellationToken);
        }
    }
}
