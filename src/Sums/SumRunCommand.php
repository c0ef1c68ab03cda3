<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumBook;
use Psr\Log\LoggerInterface;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * The headless door. Exit 0 for a computed answer whatever its verdict, 2 for bad input. With --batch each line of
 * standard input is {"sum":…,"inputs":{…}}, or just the inputs where NAME is given, and each gets a line; an error
 * is that line's answer and the exit stays 0.
 */
#[AsCommand('sum:run', 'Run a sum: NAME --json=\'{"field":"value"}\', or - for JSON on standard input, or --batch.')]
final class SumRunCommand
{
    private const FLAGS = \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR
        | \JSON_INVALID_UTF8_SUBSTITUTE;

    public function __construct(private readonly SumBook $sums, private readonly LoggerInterface $logger)
    {
    }

    public function __invoke(
        OutputInterface $output, #[Argument('Which sum')] string $name = '',
        #[Argument('- reads the JSON from standard input')] string $stdin = '',
        #[Option('The inputs as a JSON object, or -')] string $json = '{}',
        #[Option('One JSON object a line in, one a line out')] bool $batch = false,
    ): int {
        if ($batch) {
            return $this->batch($name, $output);
        }
        $given = '-' === $json || '-' === $stdin ? (string) stream_get_contents(\STDIN) : $json;
        [$answer, $failed] = $this->answer($name, $given);
        $output->writeln($answer, OutputInterface::OUTPUT_RAW);

        return $failed ? 2 : 0;
    }

    private function batch(string $name, OutputInterface $output): int
    {
        while (false !== $line = fgets(\STDIN)) {
            if ('' === trim($line)) {
                continue;
            }
            try {
                $answer = $this->answer($name, $line)[0];
            } catch (\Throwable $e) {
                // A fault of ours costs its own line, never the lines behind it.
                $this->logger->error('A line of a batch could not be answered.', ['exception' => $e]);
                $answer = json_encode(
                    ['error' => ['field' => 'sum', 'message' => 'This line could not be worked out. Check its numbers for slips.']],
                    self::FLAGS,
                );
            }
            $output->writeln($answer, OutputInterface::OUTPUT_RAW);
        }

        return 0;
    }

    /** @return array{string, bool} the line to print, and whether it is an error */
    private function answer(string $name, string $json): array
    {
        try {
            $raw = json_decode($json, true, 32);
            is_array($raw) || throw InvalidInput::in('json', 'This is not a JSON object.');
            if (is_string($raw['sum'] ?? null)) {
                $name = $raw['sum'];
                unset($raw['sum']);
                $raw = is_array($raw['inputs'] ?? null) ? $raw['inputs'] : $raw;
            }
            '' !== $name || throw InvalidInput::in('sum', 'Say which sum: bin/console sum:list names them.');

            return [json_encode($this->sums->run($name, $raw)->toArray(), self::FLAGS), false];
        } catch (InvalidInput $e) {
            return [json_encode(['error' => ['field' => $e->field, 'message' => $e->getMessage()]], self::FLAGS), true];
        }
    }
}
