namespace Lowfell.Web.Api;

/// <summary>Versions of rows that two windows may edit, or one may edit while another deletes.</summary>
internal static class Versions
{
    /// <summary>Refuses a change that was made on another version.</summary>
    public static void Check(int changed, int kept)
    {
        if (changed != kept)
        {
            throw new RefusedException("version", $"Look at it again: version {kept} is kept now, and you changed version {changed}.", 409);
        }
    }

    /// <summary>Refuses what was chosen on something that is not there any more: what is held, an order, an answer.</summary>
    public static RefusedException Stale(string what) => new("version", $"Look at it again: {what} meanwhile.", 409);
}
