namespace Lowfell.Web.Api;

/// <summary>What was asked for takes longer than an answer may, and is being made: 202 with the moment at which to ask again.</summary>
public sealed class BeingMadeException() : Exception("What was asked for is being made.");
