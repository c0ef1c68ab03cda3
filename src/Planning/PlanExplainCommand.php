<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\Core\Lint\Explanations;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('plan:explain', 'Say what the code of a finding means; without a code, list them all.')]
final class PlanExplainCommand
{
    public function __invoke(OutputInterface $output, #[Argument('For example hot-circuit')] string $code = ''): int
    {
        if ('' === $code) {
            foreach (Explanations::all() as $known => $text) {
                $output->writeln(sprintf('%-24s %s', $known, $text), OutputInterface::OUTPUT_RAW);
            }

            return 0;
        }
        $text = Explanations::of($code);
        $near = array_values(
            array_filter(array_keys(Explanations::all()), static fn (string $known): bool => levenshtein($known, $code) < 4),
        );
        $output->writeln(
            $text ?? sprintf(
                'There is no code “%s”.%s', mb_substr($code, 0, 40),
                [] === $near ? ' plan:explain lists them.' : sprintf(' Did you mean %s?', $near[0]),
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return null === $text ? 2 : 0;
    }
}
