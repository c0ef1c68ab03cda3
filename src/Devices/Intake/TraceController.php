<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Intake;

use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Door\TraceJudge;
use NimbleKnuckle\Core\Trace\JointData;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Core\Trace\TraceDrawing;
use NimbleKnuckle\Core\Trace\TraceSpec;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** One kept trace: the plot, the judgement with its working, and the samples to take away. */
final class TraceController extends AbstractController
{
    #[Route('/traces/{id}', name: 'trace', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function __invoke(string $id, ReadingBook $readings): Response
    {
        $reading = $readings->find($id);
        null !== $reading && 'torque-angle' === $reading->kind || throw $this->createNotFoundException('There is no such trace.');
        /** @var list<non-empty-list<float>> $samples */
        $samples = $reading->samples;
        $spec = $reading->taskNumber('angle') > 0 ? TraceSpec::angle(
            $reading->taskNumber('torque'), $reading->taskNumber('angle'), $reading->taskNumber('from'),
        ) : TraceSpec::torque(max(0.01, $reading->taskNumber('torque')), $reading->taskNumber('from'));
        $refused = '';
        try {
            $judged = Judgement::of(Trace::of($samples), $spec, JointData::unknown());
        } catch (InvalidInput $e) {
            [$judged, $refused] = [null, $e->getMessage()];
        }

        return $this->render(
            'devices/trace.html.twig',
            [
                'reading' => $reading, 'refused' => $refused, 'judged' => null === $judged ? null : (new TraceJudge())->said($judged),
                'plot' => TraceDrawing::of(array_map(static fn (array $s): array => [$s[0], $s[1] ?? 0.0], $samples), $spec, $judged),
            ],
        );
    }

    #[Route('/traces/{id}.csv', name: 'trace_csv', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function csv(string $id, ReadingBook $readings): Response
    {
        $reading = $readings->find($id) ?? throw $this->createNotFoundException('There is no such trace.');
        $rows = array_map(static fn (array $sample): string => implode(',', $sample), $reading->samples);

        return new Response(
            implode("\n", ['torque-angle' === $reading->kind ? 'degrees,N·m,ms' : 's,°C', ...$rows])."\n",
            headers: ['Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => sprintf('attachment; filename="%s.csv"', $id)],
        );
    }
}
