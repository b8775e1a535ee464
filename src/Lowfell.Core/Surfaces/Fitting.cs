namespace Lowfell.Core.Surfaces;

/// <summary>When a zone is painted, where a part is painted apart and fitted later.</summary>
public enum Fitting
{
    /// <summary>Whenever it suits.</summary>
    Free,

    /// <summary>Before the part is fitted: no brush reaches it afterwards.</summary>
    Before,

    /// <summary>After the part is fitted: it runs over the join.</summary>
    After,
}
