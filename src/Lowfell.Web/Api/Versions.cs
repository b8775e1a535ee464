namespace Lowfell.Web.Api;

/// <summary>Versions of rows that two windows may edit.</summary>
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
}
