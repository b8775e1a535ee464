using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Finishing;

/// <summary>Coats that are left out together.</summary>
public sealed class CutCoatsBoundAttribute() : LengthBoundAttribute(1, StackDraft.MostCoats * 40);
