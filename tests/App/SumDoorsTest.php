<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Sums\SumApiController;
use NimbleKnuckle\App\Sums\SumRunCommand;
use NimbleKnuckle\App\Sums\SumsController;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\Process\Process;

#[CoversClass(SumRunCommand::class)]
#[CoversClass(SumApiController::class)]
#[CoversClass(SumsController::class)]
final class SumDoorsTest extends AppTestCase
{
    public function testTheCommandLineKeepsTheContract(): void
    {
        [$code, $out] = $this->console(
            ['sum:run', 'coolant-mix', '--json={"capacity":"6.4 L","drained":4.1,"present":32,"target":50,"product":100}'],
        );
        self::assertSame(0, $code);
        $answer = $this->decoded($out);
        self::assertSame(['sum', 'inputs', 'values', 'verdict', 'checks', 'working'], array_keys($answer));
        self::assertSame('6.4 L', $this->decoded(json_encode($answer['inputs'], \JSON_THROW_ON_ERROR))['capacity']);
        self::assertStringContainsString('"pour":{"value":2.464', $out);
        self::assertStringContainsString('"unit":"L"', $out);
        self::assertSame('ok', $answer['verdict']);

        [$code, $out] = $this->console(['sum:run', 'torque-check', '--json={"stated":"29 ft-lb / 21 Nm"}']);
        self::assertSame(0, $code, 'a computed answer is exit 0 whatever its verdict');
        self::assertSame('stop', $this->decoded($out)['verdict']);

        [$code, $out] = $this->console(['sum:run', 'wrench-set', '--json={"target":"tight","lever":220,"adapter":32}']);
        self::assertSame(2, $code);
        $error = $this->decoded($out)['error'];
        self::assertIsArray($error);
        self::assertSame('target', $error['field']);

        [$code] = $this->console(['sum:run', 'nothing', '--json={}']);
        self::assertSame(2, $code);
        [$code] = $this->console(['sum:run', 'wrench-set', '--json={']);
        self::assertSame(2, $code);
    }

    public function testStandardInputAndBatch(): void
    {
        $one = '{"target":"9 N·m","lever":220,"adapter":32}';
        [, $direct] = $this->console(['sum:run', 'wrench-set', '--json='.$one]);
        [, $stdin] = $this->console(['sum:run', 'wrench-set', '-'], $one);
        self::assertSame($direct, $stdin);
        $lines = implode(
            "\n", array_fill(0, 500, $one),
        )."\n".'{"target":-1,"lever":220,"adapter":32}'."\n".'{"sum":"torque-check","inputs":{"stated":"9 Nm"}}';
        [$code, $out] = $this->console(['sum:run', 'wrench-set', '--batch'], $lines);
        self::assertSame(0, $code);
        $answers = explode("\n", trim($out));
        self::assertCount(502, $answers);
        self::assertSame(trim($direct), $answers[0]);
        self::assertArrayHasKey('error', $this->decoded($answers[500]));
        self::assertSame('torque-check', $this->decoded($answers[501])['sum']);
    }

    public function testEveryLineOfABatchGetsItsOwnAnswer(): void
    {
        $lines = [
            '{"sum":"torque-check","inputs":{"stated":"1e-99 Nm","thread":"M8"}}',
            '{"sum":"vacuum-fill","inputs":{"volume":"1e-99","pulled":80,"temperature":20}}',
            '{"sum":"wrench-set","inputs":{"target":9,"lever":1e-99,"adapter":32}}', 'not JSON', '[]', '7',
            '{"sum":"no-such-sum","inputs":{}}', '{"sum":"torque-check","inputs":{"stated":"２０ Nm"}}',
            '{"sum":"coolant-mix","inputs":{"capacity":1e-99,"drained":1e-99,"present":0,"target":50,"product":100}}',
            '{"sum":"torque-check","inputs":{"stated":"9 Nm"}}',
        ];
        [$code, $out] = $this->console(['sum:run', '--batch'], implode("\n", $lines));
        self::assertSame(0, $code);
        $answers = array_map($this->decoded(...), explode("\n", trim($out)));
        self::assertCount(count($lines), $answers);
        foreach (array_slice($answers, 0, -1) as $i => $answer) {
            self::assertArrayHasKey('error', $answer, $lines[$i]);
        }
        self::assertSame('torque-check', $answers[9]['sum']);
    }

    public function testTheApiAndThePageGiveTheSameNumbers(): void
    {
        $this->signIn('petra');
        $this->client->request('GET', '/api/sums/wrench-set?target=9&lever=220&adapter=32');
        $answer = (string) $this->client->getResponse()->getContent();
        self::assertStringContainsString('"setting":{"value":7.857142857142857,"unit":"N·m"}', $answer);
        $this->client->request(
            'POST', '/api/sums/wrench-set', server: ['HTTP_X_CSRF_TOKEN' => $this->token()],
            content: '{"target":9,"lever":220,"adapter":32}',
        );
        self::assertStringContainsString('7.857142857142857', (string) $this->client->getResponse()->getContent());
        $this->client->request('GET', '/api/sums/wrench-set?target=x&lever=220&adapter=32');
        self::assertSame(422, $this->client->getResponse()->getStatusCode());
        $this->client->request('GET', '/sums/wrench-set?target=9&lever=220&adapter=32', server: ['HTTP_HX_REQUEST_TYPE' => 'partial']);
        self::assertSelectorTextContains('#answer .figure-number', '7.9');
        self::assertSelectorNotExists('header');
        $this->client->request('GET', '/api/sums');
        self::assertStringContainsString('coolant-mix', (string) $this->client->getResponse()->getContent());
    }

    /**
     * @param list<string> $arguments
     *
     * @return array{int, string}
     */
    private function console(array $arguments, string $input = ''): array
    {
        $process = new Process(
            [\PHP_BINARY, 'bin/console', ...$arguments], dirname(__DIR__, 2), ['APP_ENV' => 'test', 'APP_DEBUG' => '0'], $input,
        );
        $process->run();

        return [(int) $process->getExitCode(), $process->getOutput()];
    }

    /** @return array<array-key, mixed> */
    private function decoded(string $json): array
    {
        $data = json_decode($json, true, 32, \JSON_THROW_ON_ERROR);
        self::assertIsArray($data);

        return $data;
    }
}
