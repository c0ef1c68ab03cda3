<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use Dompdf\Dompdf;
use Dompdf\Options;
use NimbleKnuckle\App\Bench\StepSum;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Logbook\DueBook;
use NimbleKnuckle\Core\Plan\Phase;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The sheet to hang at the bench, and the record of what was done, as PDF. */
final class PrintController extends AbstractController
{
    public function __construct(
        private readonly FitBook $fits, private readonly Recorder $recorder, private readonly DueBook $dues,
        private readonly ClockInterface $clock, private readonly StepSum $sums,
        #[Autowire(param: 'kernel.cache_dir')] private readonly string $cacheDir,
        #[Autowire('%kernel.project_dir%/templates/exchange')] private readonly string $printDir,
    ) {
    }

    #[Route('/fits/{id}/print/sheet', name: 'print_sheet', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function sheet(string $id): Response
    {
        return $this->pdf($id, 'sheet');
    }

    #[Route('/fits/{id}/print/list', name: 'print_list', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function list(string $id): Response
    {
        return $this->pdf($id, 'list');
    }

    #[Route('/fits/{id}/print/record', name: 'print_record', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function record(string $id): Response
    {
        return $this->pdf($id, 'record');
    }

    private function pdf(string $id, string $kind): Response
    {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);
        $html = $this->renderView(
            sprintf('exchange/print_%s.html.twig', $kind),
            [
                'record' => $record, 'fit' => $fit, 'sums' => 'record' === $kind ? $this->sums->worked($fit) : [],
                'phases' => Phase::cases(),
                'dues' => $this->dues->ofFit($id), 'now' => $this->clock->now(),
            ],
        );
        $options = new Options(
            [
                'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'isJavascriptEnabled' => false, 'defaultFont' => 'DejaVu Sans',
                'tempDir' => $this->cacheDir, 'fontCache' => $this->cacheDir, 'chroot' => $this->printDir,
            ],
        );
        $pdf = new Dompdf($options);
        $pdf->setProtocol('file://');
        $pdf->setBasePath($this->printDir);
        $pdf->setPaper('A4');
        $pdf->loadHtml($html);
        $pdf->render();

        return new Response(
            (string) $pdf->output(),
            headers: [
                'Content-Type' => 'application/pdf',
                'Content-Disposition' => sprintf('inline; filename="%s-%s.pdf"', $kind, $record->vehicle->id),
            ],
        );
    }
}
