namespace Lowfell.Store.Backups;

/// <summary>A backup could not be written or restored; the message is meant for whoever asked for it.</summary>
/// <param name="message">What was wrong, and what to do.</param>
/// <param name="inner">What lies behind it.</param>
public sealed class BackupException(string message, Exception? inner = null) : Exception(message, inner);
