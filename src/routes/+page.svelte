<h1>Fond Quarter</h1>
