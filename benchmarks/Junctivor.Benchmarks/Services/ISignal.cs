namespace Junctivor.Benchmarks.Services;

public interface ISignal;
